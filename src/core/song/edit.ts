import { z } from "zod";
import { fail, ok, type Result } from "../../base";
import { addedFields } from "./added-fields";
import { type Body, idSchema, isStorable, type Kind, REFERENCES, type Row, TABLES } from "./body";

/**
 * A change of a document. Rows come and go whole; fields are set one by one; a batch is one act made
 * of several. Every edit names what it touches, and gives the edit that takes it back.
 */
export type SimpleCommand =
  | { readonly type: "add"; readonly table: string; readonly row: Row }
  | { readonly type: "remove"; readonly table: string; readonly id: string }
  | {
      readonly type: "set";
      readonly table: string;
      readonly id: string;
      readonly fields: Readonly<Record<string, unknown>>;
    };

export type Command =
  | SimpleCommand
  | { readonly type: "batch"; readonly label: string; readonly commands: readonly SimpleCommand[] };

/** The single edits a command is made of. */
export const singles = (command: Command): readonly SimpleCommand[] =>
  command.type === "batch" ? command.commands : [command];

/** The row a single edit is about. */
export const rowIdOf = (command: SimpleCommand): string =>
  command.type === "add" ? command.row.id : command.id;

export type EditProblem =
  | { readonly code: "unknown-table"; readonly table: string }
  | { readonly code: "unknown-row"; readonly table: string; readonly id: string }
  | { readonly code: "row-exists"; readonly table: string; readonly id: string }
  | {
      readonly code: "bad-field";
      readonly table: string;
      readonly id: string;
      readonly field: string;
      readonly message: string;
    }
  | {
      readonly code: "missing-reference";
      readonly table: string;
      readonly id: string;
      readonly field: string;
      readonly target: string;
    }
  | { readonly code: "still-used"; readonly table: string; readonly id: string; readonly by: string };

export type Applied = { readonly body: Body; readonly inverse: Command };

const MOST_COMMANDS = 20_000;

const simpleCommand = z.discriminatedUnion("type", [
  z.object({ type: z.literal("add"), table: z.string().max(40), row: z.looseObject({ id: idSchema }) }),
  z.object({ type: z.literal("remove"), table: z.string().max(40), id: idSchema }),
  z.object({
    type: z.literal("set"),
    table: z.string().max(40),
    id: idSchema,
    fields: z.record(z.string().max(40), z.unknown()),
  }),
]);

/** The shape of an edit at the border; rows and values are checked against their table when it is applied. */
export const commandSchema: z.ZodType<Command> = z.union([
  simpleCommand,
  z.object({
    type: z.literal("batch"),
    label: z.string().max(120).refine(isStorable),
    commands: z.array(simpleCommand).max(MOST_COMMANDS),
  }),
]);

/** How a whole row, and some fields of it, are checked. */
type RowChecks = { readonly row: z.ZodObject; readonly fields: z.ZodObject };

const CHECKS: ReadonlyMap<string, RowChecks> = new Map(
  Object.entries(TABLES).flatMap(([kind, tables]) =>
    Object.entries(tables as Readonly<Record<string, z.ZodObject>>).map(
      ([table, schema]): [string, RowChecks] => [
        `${kind} ${table}`,
        { row: schema.strict(), fields: schema.strict().partial() },
      ],
    ),
  ),
);

/**
 * Applies an edit. The body given is not changed; on a problem nothing is.
 * @returns the new body and the edit that takes this one back
 */
export function applyEdit(kind: Kind, body: Body, command: Command): Result<Applied, EditProblem> {
  const simple = singles(command);
  const inverses: SimpleCommand[] = [];
  const draft: Record<string, Record<string, Row>> = {};
  let next: Body = body;
  const own = (table: string): Record<string, Row> => {
    if (!draft[table]) {
      draft[table] = { ...next[table] };
      next = { ...next, [table]: draft[table] };
    }
    return draft[table];
  };
  for (const one of simple) {
    const step = applySimple(kind, next, one, own);
    if (!step.ok) return step;
    inverses.push(step.value);
  }
  const problem = checkReferences(next, simple);
  if (problem) return fail(problem);
  inverses.reverse();
  const inverse: Command =
    command.type === "batch" ? { type: "batch", label: command.label, commands: inverses } : inverses[0]!;
  return ok({ body: next, inverse });
}

function applySimple(
  kind: Kind,
  body: Body,
  command: SimpleCommand,
  own: (table: string) => Record<string, Row>,
): Result<SimpleCommand, EditProblem> {
  const { table } = command;
  const checks = CHECKS.get(`${kind} ${table}`);
  if (!checks) return fail({ code: "unknown-table", table });
  const rows = body[table] ?? {};
  const id = rowIdOf(command);
  const row = Object.hasOwn(rows, id) ? rows[id]! : null;
  if (command.type === "add") {
    if (row) return fail({ code: "row-exists", table, id });
    const checked = checks.row.safeParse({ ...addedFields(kind, table), ...command.row });
    if (!checked.success) return fail(badField(table, id, checked.error));
    own(table)[id] = checked.data as Row;
    return ok({ type: "remove", table, id });
  }
  if (!row) return fail({ code: "unknown-row", table, id });
  if (command.type === "remove") {
    delete own(table)[id];
    return ok({ type: "add", table, row });
  }
  if ("id" in command.fields)
    return fail({ code: "bad-field", table, id, field: "id", message: "cannot be changed" });
  const checked = checks.fields.safeParse(command.fields);
  if (!checked.success) return fail(badField(table, id, checked.error));
  own(table)[id] = { ...row, ...checked.data };
  const before = Object.fromEntries(Object.keys(command.fields).map((field) => [field, row[field]]));
  return ok({ type: "set", table, id, fields: before });
}

function badField(table: string, id: string, error: z.ZodError): EditProblem {
  const issue = error.issues[0]!;
  const field = issue.code === "unrecognized_keys" ? (issue.keys[0] ?? "") : String(issue.path[0] ?? "");
  return { code: "bad-field", table, id, field, message: issue.message };
}

/** Rows that were added or set must find what they name; what was removed must no longer be named. */
function checkReferences(body: Body, commands: readonly SimpleCommand[]): EditProblem | null {
  const removed = new Map<string, Set<string>>();
  for (const command of commands) {
    if (command.type === "remove") {
      if (!Object.hasOwn(body[command.table] ?? {}, command.id)) {
        removed.set(command.table, (removed.get(command.table) ?? new Set()).add(command.id));
      }
      continue;
    }
    const id = rowIdOf(command);
    const row = body[command.table]?.[id];
    for (const [field, target] of row ? Object.entries(REFERENCES[command.table] ?? {}) : []) {
      const named = row![field];
      if (typeof named === "string" && !Object.hasOwn(body[target] ?? {}, named)) {
        return { code: "missing-reference", table: command.table, id, field, target };
      }
    }
  }
  return removed.size === 0 ? null : findStillUsed(body, removed);
}

function findStillUsed(body: Body, removed: ReadonlyMap<string, ReadonlySet<string>>): EditProblem | null {
  for (const [table, fields] of Object.entries(REFERENCES)) {
    for (const [field, target] of Object.entries(fields)) {
      const gone = removed.get(target);
      if (!gone) continue;
      for (const row of Object.values(body[table] ?? {})) {
        const named = row[field];
        if (typeof named === "string" && gone.has(named))
          return { code: "still-used", table: target, id: named, by: table };
      }
    }
  }
  return null;
}

/** A place an edit touches: a row and a field of it; "*" is the whole row, coming or going. */
export type Touch = { readonly table: string; readonly id: string; readonly field: string };

/** @example touches({ type: "set", table: "sections", id: "s1", fields: { label: "Verse" } }) // => [{ …, field: "label" }] */
export const touches = (command: Command): Touch[] =>
  singles(command).flatMap((one) => {
    const place = { table: one.table, id: rowIdOf(one) };
    return one.type === "set"
      ? Object.keys(one.fields).map((field) => ({ ...place, field }))
      : [{ ...place, field: "*" }];
  });

/** The places two edits both touch; a whole row meets every field of it. */
export function overlap(a: readonly Touch[], b: readonly Touch[]): Touch[] {
  const byRow = new Map<string, Set<string>>();
  for (const touch of b) {
    const row = `${touch.table} ${touch.id}`;
    byRow.set(row, (byRow.get(row) ?? new Set()).add(touch.field));
  }
  return a.filter((touch) => {
    const fields = byRow.get(`${touch.table} ${touch.id}`);
    return fields !== undefined && (touch.field === "*" || fields.has("*") || fields.has(touch.field));
  });
}
