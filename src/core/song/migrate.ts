import { fail, ok, type Result } from "../../base";
import { ADDED_IN_FORM, type AddedFields } from "./added-fields";
import type { Body, Kind } from "./body";
import { type BodyProblem, checkBody, isRecord } from "./check-body";

/** The form bodies are stored in now. Each step below lifts a body from one form to the next. */
export const SCHEMA = 7;

export type Stored = { readonly schema: number; readonly body: unknown };

type Migration = (kind: Kind, body: unknown) => unknown;

/** `MIGRATIONS[n]` lifts form n to n + 1. */
const MIGRATIONS: Readonly<Record<number, Migration>> = Object.freeze({
  1: (kind, body) => withFields(body, ADDED_IN_FORM[2]![kind] ?? {}),
  2: (kind, body) => withFields(body, ADDED_IN_FORM[3]![kind] ?? {}),
  3: (kind, body) => withFields(body, ADDED_IN_FORM[4]![kind] ?? {}),
  4: (kind, body) => withFields(body, ADDED_IN_FORM[5]![kind] ?? {}),
  5: (kind, body) => withFields(body, ADDED_IN_FORM[6]![kind] ?? {}),
  6: (kind, body) => withFields(body, ADDED_IN_FORM[7]![kind] ?? {}),
});

/** Adds missing fields to rows; what is no table of rows is left for the check to refuse. */
function withFields(body: unknown, additions: AddedFields): unknown {
  if (!isRecord(body)) return body;
  const lifted: Record<string, unknown> = { ...body };
  for (const [table, fields] of Object.entries(additions)) {
    const rows = lifted[table] ?? {};
    if (!isRecord(rows)) continue;
    lifted[table] = Object.fromEntries(
      Object.entries(rows).map(([id, row]) => [id, isRecord(row) ? { ...fields, ...row } : row]),
    );
  }
  return lifted;
}

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
