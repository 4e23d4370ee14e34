import type { z } from "zod";
import { fail, ok, type Result } from "../../base";
import { type Body, KINDS, type Kind, REFERENCES, type Row, TABLES } from "./body";

export type BodyProblem = {
  readonly table: string;
  readonly id: string;
  readonly field: string;
  readonly message: string;
};

/** An empty body of a kind: every table, no rows. */
export const emptyBody = (kind: Kind): Body =>
  Object.fromEntries(Object.keys(TABLES[kind]).map((table) => [table, {}]));

/** Checks a whole body: every row against its table, every reference, one row in the first table. */
export function checkBody(kind: Kind, body: unknown): Result<Body, BodyProblem> {
  const problem = (table: string, id: string, field: string, message: string) =>
    fail({ table, id, field, message });
  if (!isRecord(body)) return problem("", "", "", "should be an object of tables");
  const tables = TABLES[kind] as Readonly<Record<string, z.ZodObject>>;
  const checked: Record<string, Record<string, Row>> = {};
  for (const table of Object.keys(body))
    if (!Object.hasOwn(tables, table)) return problem(table, "", "", "is not a table of this kind");
  for (const [table, schema] of Object.entries(tables)) {
    const rows = body[table] ?? {};
    if (!isRecord(rows)) return problem(table, "", "", "should be an object of rows");
    checked[table] = {};
    const strict = schema.strict();
    for (const [id, row] of Object.entries(rows)) {
      const parsed = strict.safeParse(row);
      if (!parsed.success)
        return problem(
          table,
          id,
          String(parsed.error.issues[0]!.path[0] ?? ""),
          parsed.error.issues[0]!.message,
        );
      if (parsed.data.id !== id) return problem(table, id, "id", "should be the id the row is stored under");
      checked[table][id] = parsed.data as Row;
    }
  }
  const [head] = Object.keys(tables);
  if (Object.keys(checked[head!]!).length !== 1) return problem(head!, "", "", "should have exactly one row");
  for (const [table, fields] of Object.entries(REFERENCES)) {
    for (const [field, target] of Object.entries(fields)) {
      for (const row of Object.values(checked[table] ?? {})) {
        const named = row[field];
        if (kind === "version" && typeof named === "string" && !Object.hasOwn(checked[target]!, named)) {
          return problem(table, row.id, field, `names a row that is not in ${target}`);
        }
      }
    }
  }
  return ok(checked);
}

export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

export const isKind = (text: string): text is Kind => (KINDS as readonly string[]).includes(text);
