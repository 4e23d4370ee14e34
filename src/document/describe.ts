import { assertNever, capital } from "../base";
import type { EditProblem } from "./apply";
import { type AnyRow, type Body, type Command, rowIdOf, type SimpleCommand, singles } from "./command";
import type { Definition } from "./definition";
import type { Table } from "./table";
import type { Touch } from "./touch";

const calledIn = (definition: Definition, table: string): string => definition.tables[table]?.called ?? table;
const fieldIn = (definition: Definition, table: string, field: string): string =>
  definition.tables[table]?.fields[field] ?? field;

/** "tempo", "section name": the place of a clash in words. */
export function describePlace(definition: Definition, { table, field }: Omit<Touch, "id">): string {
  const called = calledIn(definition, table);
  if (field === "*") return called;
  const told = fieldIn(definition, table, field);
  return definition.tables[table]?.alone ? told : `${called} ${told}`;
}

/** The sentence for an edit that cannot be made. */
export function describeProblem(definition: Definition, problem: EditProblem): string {
  const called = calledIn(definition, problem.table);
  switch (problem.code) {
    case "unknown-table":
      return `There is nothing called ${problem.table} here. Nothing was changed.`;
    case "unknown-row":
      return `That ${called} is no longer there: it was removed meanwhile. Nothing was changed.`;
    case "row-exists":
      return `That ${called} is there already. Nothing was changed.`;
    case "bad-field":
      return `The ${fieldIn(definition, problem.table, problem.field)} of this ${called} ${problem.message}. Nothing was changed.`;
    case "missing-reference":
      return `This ${called} belongs to something that was removed meanwhile. Nothing was changed.`;
    case "still-used":
      return `This ${called} is still in use by a ${calledIn(definition, problem.by)}. Take that away first. Nothing was changed.`;
    case "one-head":
      return `There must be just one ${called} here. Nothing was changed.`;
    default:
      return assertNever(problem);
  }
}

/**
 * What an edit did, in a few words for the list of what has happened.
 * @param body the document as it is now, for names of what is still there
 */
export function describeCommand(definition: Definition, command: Command, body: Body): string {
  if (command.type === "batch")
    return command.commands.length === 1
      ? describeOne(definition, command.commands[0]!, body)
      : command.label;
  return describeOne(definition, command, body);
}

function describeOne(definition: Definition, one: SimpleCommand, body: Body): string {
  const { table } = one;
  const { named = [], quiet = [], acts = null } = definition.tables[table] ?? {};
  const name = nameOfRow(definition, table, one.type === "add" ? one.row : body[table]?.[rowIdOf(one)]);
  if (one.type !== "set") {
    if (acts) return capital(acts[one.type]);
    const what = describePlace(definition, { table, field: "*" });
    return capital(`${one.type === "add" ? "new" : "removed"} ${what}${name ? ` “${name}”` : ""}`);
  }
  const told = Object.entries(one.fields).filter(([field]) => !quiet.includes(field));
  const shown = told.length > 0 ? told : Object.entries(one.fields);
  const fields = shown.map(([field, value]) => {
    const place = describePlace(definition, { table, field });
    return field === "order"
      ? `${place} moved`
      : `${place}: ${describeValue(definition, table, field, value, body)}`;
  });
  const isNamed = named.some((field) => field in one.fields);
  return capital(`${fields.join(", ")}${name && !isNamed ? ` (${name})` : ""}`);
}

function nameOfRow(definition: Definition, table: string, row: AnyRow | undefined): string {
  const fields = row ? (definition.tables[table]?.named ?? []) : [];
  const name = fields.map((field) => row![field]).find((one) => typeof one === "string" && one !== "");
  return typeof name === "string" ? name.slice(0, 40) : "";
}

const NO_WORDS: Pick<Table, "tell" | "references"> = { tell: {}, references: {} };

/** A value for people: as its table tells it, or a name for an id. */
function describeValue(
  definition: Definition,
  table: string,
  field: string,
  value: unknown,
  body: Body,
): string {
  if (value === null) return "none";
  if (typeof value === "boolean") return value ? "yes" : "no";
  const { tell, references } = definition.tables[table] ?? NO_WORDS;
  const teller = tell[field];
  if (teller) return teller(value, body);
  const reference = references[field];
  if (reference && typeof value === "string") {
    const row = body[reference.to]?.[value];
    return row ? `“${nameOfRow(definition, reference.to, row) || "without a name"}”` : "one that is gone";
  }
  return Array.isArray(value) ? value.join(", ").slice(0, 60) : String(value).slice(0, 60);
}

/** How many single changes an edit is made of. */
export const sizeOf = (command: Command): number => singles(command).length;
