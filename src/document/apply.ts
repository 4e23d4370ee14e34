import { z } from "zod";
import { fail, ok, type Result } from "../base";
import {
  type AnyRow,
  type Body,
  type Command,
  rowIdOf,
  type SimpleCommand,
  singles,
  type Tables,
} from "./command";
import { type Definition, fieldsAddedTo } from "./definition";
import { danglingOf, hasOneHead, idSchema, type Rules, rulesOf, stillUsed } from "./rules";
import { isStorable } from "./text";

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
  | { readonly code: "still-used"; readonly table: string; readonly id: string; readonly by: string }
  /** The head of a document has one row, no more and no less. */
  | { readonly code: "one-head"; readonly table: string };

export type Applied<T extends Tables = Tables> = { readonly body: Body<T>; readonly inverse: Command<T> };

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
export const commandSchema: z.ZodType<Command, Command> = z.union([
  simpleCommand,
  z.object({
    type: z.literal("batch"),
    label: z.string().max(120).refine(isStorable),
    commands: z.array(simpleCommand).max(MOST_COMMANDS),
  }),
]);

/** The table an edit writes in. */
type Writer = (table: string) => Record<string, AnyRow>;

/**
 * Applies an edit. The body given is not changed; on a problem nothing is.
 * @returns the new body and the edit that takes this one back
 */
export function applyEdit<T extends Tables>(
  definition: Definition<T>,
  body: Body<NoInfer<T>>,
  command: Command<NoInfer<T>>,
): Result<Applied<T>, EditProblem> {
  const next: Record<string, Readonly<Record<string, AnyRow>>> = { ...body };
  const copied = new Map<string, Record<string, AnyRow>>();
  const write: Writer = (table) => {
    const rows = copied.get(table) ?? { ...next[table] };
    copied.set(table, rows);
    next[table] = rows;
    return rows;
  };
  return applyTo(definition, next, command, write) as Result<Applied<T>, EditProblem>;
}

/**
 * The same on a body that nobody else holds: its tables are written in, so that an edit costs what it touches, however
 * long the tables are. On a problem the body is spoilt and must be thrown away.
 */
export function applyToOwned<T extends Tables>(
  definition: Definition<T>,
  body: Body<NoInfer<T>>,
  command: Command<NoInfer<T>>,
): Result<Applied<T>, EditProblem> {
  const next: Record<string, Record<string, AnyRow>> = { ...body };
  const write: Writer = (table) => {
    next[table] ??= {};
    return next[table];
  };
  return applyTo(definition, next, command, write) as Result<Applied<T>, EditProblem>;
}

function applyTo(
  definition: Definition,
  body: Body,
  command: Command,
  write: Writer,
): Result<Applied, EditProblem> {
  const rules = rulesOf(definition);
  const simple = singles(command);
  const inverses: SimpleCommand[] = [];
  for (const one of simple) {
    const step = applySimple(definition, rules, body, one, write);
    if (!step.ok) return step;
    inverses.push(step.value);
  }
  const problem = brokenBy(definition, rules, body, simple);
  if (problem) return fail(problem);
  inverses.reverse();
  const inverse: Command =
    command.type === "batch" ? { type: "batch", label: command.label, commands: inverses } : inverses[0]!;
  return ok({ body, inverse });
}

function applySimple(
  definition: Definition,
  rules: Rules,
  body: Body,
  command: SimpleCommand,
  write: Writer,
): Result<SimpleCommand, EditProblem> {
  const { table } = command;
  const check = rules.row(table);
  if (!check) return fail({ code: "unknown-table", table });
  const rows = body[table] ?? {};
  const id = rowIdOf(command);
  const row = Object.hasOwn(rows, id) ? rows[id]! : null;
  if (command.type === "add") {
    if (row) return fail({ code: "row-exists", table, id });
    const checked = check.safeParse({ ...fieldsAddedTo(definition, table), ...command.row });
    if (!checked.success) return fail(badField(table, id, checked.error));
    write(table)[id] = checked.data;
    return ok({ type: "remove", table, id });
  }
  if (!row) return fail({ code: "unknown-row", table, id });
  if (command.type === "remove") {
    delete write(table)[id];
    return ok({ type: "add", table, row });
  }
  if ("id" in command.fields)
    return fail({ code: "bad-field", table, id, field: "id", message: "cannot be changed" });
  const checked = rules.fields(table)!.safeParse(command.fields);
  if (!checked.success) return fail(badField(table, id, checked.error));
  write(table)[id] = { ...row, ...checked.data };
  const before = Object.fromEntries(Object.keys(command.fields).map((field) => [field, row[field]]));
  return ok({ type: "set", table, id, fields: before });
}

function badField(table: string, id: string, error: z.ZodError): EditProblem {
  const issue = error.issues[0]!;
  const field = issue.code === "unrecognized_keys" ? (issue.keys[0] ?? "") : String(issue.path[0] ?? "");
  return { code: "bad-field", table, id, field, message: issue.message };
}

/** Rows that came or changed must find what they name; what is gone must not be named; the head stays one row. */
function brokenBy(
  definition: Definition,
  rules: Rules,
  body: Body,
  commands: readonly SimpleCommand[],
): EditProblem | null {
  const gone = new Map<string, Set<string>>();
  for (const command of commands) {
    const { table } = command;
    const id = rowIdOf(command);
    const row = Object.hasOwn(body[table] ?? {}, id) ? body[table]![id]! : null;
    if (!row) gone.set(table, (gone.get(table) ?? new Set()).add(id));
    else if (command.type !== "remove") {
      const dangling = danglingOf(rules, body, table, row);
      if (dangling)
        return { code: "missing-reference", table, id, field: dangling.field, target: dangling.to };
    }
    if (command.type !== "set" && table === definition.head && !hasOneHead(definition, body))
      return { code: "one-head", table };
  }
  for (const [table, ids] of gone) {
    const used = stillUsed(rules, body, table, ids);
    if (used) return { code: "still-used", table, ...used };
  }
  return null;
}
