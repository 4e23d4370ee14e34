import { fail, ok, type Result } from "../base";
import type { Body, Kind } from "./body";
import { type BodyProblem, checkBody } from "./check-body";

/** The form bodies are stored in now. Each step below lifts a body from one form to the next. */
export const SCHEMA = 1;

export type Stored = { readonly schema: number; readonly body: unknown };

type Migration = (kind: Kind, body: unknown) => unknown;

/** `MIGRATIONS[n]` lifts form n to n + 1. Form 1 is the first, so there is none yet. */
const MIGRATIONS: Readonly<Record<number, Migration>> = Object.freeze({});

/**
 * Reads a stored body of any form up to the present one.
 * @returns the checked body, or what is wrong with it; a newer form is refused
 */
export function liftBody(kind: Kind, stored: Stored): Result<Body, BodyProblem> {
  if (!Number.isInteger(stored.schema) || stored.schema < 1 || stored.schema > SCHEMA) {
    const message = `is form ${stored.schema}; this program reads forms 1 to ${SCHEMA}`;
    return fail({ table: "", id: "", field: "schema", message });
  }
  let body = stored.body;
  for (let form = stored.schema; form < SCHEMA; form++) {
    const migration = MIGRATIONS[form];
    if (!migration) throw new Error(`Expected a migration from form ${form}, got none.`);
    body = migration(kind, body);
  }
  const checked = checkBody(kind, body);
  return checked.ok ? ok(checked.value) : checked;
}
