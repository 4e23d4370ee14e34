import { fail, ok, type Result } from "../base";
import { type BodyProblem, checkBody, isRecord } from "./check";
import type { Body, Tables } from "./command";
import type { Definition } from "./definition";

/** A body as it is stored, with the form it was stored in. */
export type Stored = { readonly schema: number; readonly body: unknown };

/** Lifts a body to a form from the one before: rows get the fields that came with it. What is no table is left for the check. */
function liftedTo(definition: Definition, body: unknown, form: number): unknown {
  if (!isRecord(body)) return body;
  const lifted: Record<string, unknown> = { ...body };
  for (const [table, { since, added }] of Object.entries(definition.tables)) {
    const fields = added[form];
    if (since === form) lifted[table] ??= {};
    const rows = lifted[table];
    if (fields && isRecord(rows))
      lifted[table] = Object.fromEntries(
        Object.entries(rows).map(([id, row]) => [id, isRecord(row) ? { ...fields, ...row } : row]),
      );
  }
  return lifted;
}

/**
 * Reads a body of any form up to the present one, from wherever it comes.
 * @returns the checked body, or what is wrong with it; a newer form is refused
 */
export function liftBody<T extends Tables>(
  definition: Definition<T>,
  stored: Stored,
): Result<Body<T>, BodyProblem> {
  const { schema } = stored;
  if (!Number.isInteger(schema) || schema < 1 || schema > definition.form) {
    const message = `is of form ${schema}; this program reads forms 1 to ${definition.form}`;
    return fail({ table: "", id: "", field: "schema", message });
  }
  let { body } = stored;
  for (let form = schema + 1; form <= definition.form; form++) body = liftedTo(definition, body, form);
  return checkBody(definition, body);
}

/** Whether a body has the tables of its kind: what can go wrong with one that was checked when it was stored. */
const hasTables = (definition: Definition, body: unknown): boolean =>
  isRecord(body) && Object.keys(definition.tables).every((table) => isRecord(body[table]));

/** Reads a body this program has stored: one of the present form was checked when it was written, and its rows are trusted. */
export const openBody = <T extends Tables>(
  definition: Definition<T>,
  stored: Stored,
): Result<Body<T>, BodyProblem> =>
  stored.schema === definition.form && hasTables(definition, stored.body)
    ? ok(stored.body as Body<T>)
    : liftBody(definition, stored);
