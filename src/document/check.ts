import { fail, ok, type Result } from "../base";
import type { AnyRow, Body, Tables } from "./command";
import type { Definition } from "./definition";
import { danglingOf, hasOneHead, idSchema, rulesOf } from "./rules";

export type BodyProblem = {
  readonly table: string;
  readonly id: string;
  readonly field: string;
  readonly message: string;
};

export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Checks a whole body: every row against its table, every reference, one row in the head. */
export function checkBody<T extends Tables>(
  definition: Definition<T>,
  body: unknown,
): Result<Body<T>, BodyProblem> {
  const problem = (table: string, id: string, field: string, message: string) =>
    fail({ table, id, field, message });
  if (!isRecord(body)) return problem("", "", "", "should be an object of tables");
  const rules = rulesOf(definition);
  const checked: Record<string, Record<string, AnyRow>> = {};
  for (const table of Object.keys(body))
    if (!rules.row(table)) return problem(table, "", "", "is not a table of this kind");
  for (const table of Object.keys(definition.tables)) {
    const rows = body[table] ?? {};
    if (!isRecord(rows)) return problem(table, "", "", "should be an object of rows");
    checked[table] = {};
    for (const [id, row] of Object.entries(rows)) {
      if (!idSchema.safeParse(id).success) return problem(table, id, "id", "can't be an id");
      const parsed = rules.row(table)!.safeParse(row);
      if (!parsed.success) {
        const [issue] = parsed.error.issues;
        return problem(table, id, String(issue!.path[0] ?? ""), issue!.message);
      }
      if (parsed.data.id !== id) return problem(table, id, "id", "should be the id the row is stored under");
      checked[table][id] = parsed.data;
    }
  }
  if (!hasOneHead(definition, checked))
    return problem(definition.head, "", "", "should have exactly one row");
  for (const [table, rows] of Object.entries(checked))
    for (const row of Object.values(rows)) {
      const dangling = danglingOf(rules, checked, table, row);
      if (dangling)
        return problem(table, row.id, dangling.field, `names a row that is not in ${dangling.to}`);
    }
  return ok(checked as Body<T>);
}
