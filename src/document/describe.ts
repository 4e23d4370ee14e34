import { assertNever, capital } from "../base";
import type { EditProblem } from "./apply";
import { type AnyRow, type Body, type Command, rowIdOf, type SimpleCommand, singles } from "./command";
import type { Definition } from "./definition";
import type { TellValue } from "./table";
import type { Touch } from "./touch";

const calledIn = (definition: Definition, table: string): string => definition.tables[table]?.called ?? table;
/** A field nobody has named is told by its own name in words. @example "takenFromId" // => "taken from" */
const fieldIn = (definition: Definition, table: string, field: string): string =>
  definition.tables[table]?.fields[field] ??
  field.replace(/Id$/u, "").replaceAll(/[A-Z]/gu, (letter) => ` ${letter.toLowerCase()}`);

/** Other ways to tell values of a field, by table: chords in the names of who reads, say. */
export type Tellers = Readonly<Record<string, Readonly<Record<string, TellValue>>>>;

/** What an edit is told with. */
export type Telling = {
  /** The edit that takes it back: it knows what was there before. */
  readonly before?: Command | undefined;
  readonly tellers?: Tellers | undefined;
};

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
 * @example describeCommand(definition, set("version", "v", { bpm: 90 }), body, { before: set("version", "v", { bpm: 80 }) }) // => "Tempo: 90, before 80"
 */
export function describeCommand(
  definition: Definition,
  command: Command,
  body: Body,
  telling: Telling = {},
): string {
  if (command.type === "batch")
    return command.commands.length === 1
      ? describeOne(definition, command.commands[0]!, body, telling)
      : command.label;
  return describeOne(definition, command, body, telling);
}

function describeOne(definition: Definition, one: SimpleCommand, body: Body, telling: Telling): string {
  const { table } = one;
  const { named = [], quiet = [], acts = null } = definition.tables[table] ?? {};
  const tell = valuesIn(definition, table, body, telling.tellers);
  const before = telling.before ? singles(telling.before).find((other) => isOfRow(other, one)) : undefined;
  const row = one.type === "add" ? one.row : (body[table]?.[rowIdOf(one)] ?? rowOf(before));
  const name = nameOfRow(definition, table, row, tell);
  if (one.type !== "set") {
    if (acts) return capital(acts[one.type]);
    const what = describePlace(definition, { table, field: "*" });
    return capital(`${one.type === "add" ? "new" : "removed"} ${what}${name ? ` “${name}”` : ""}`);
  }
  const told = Object.entries(one.fields).filter(([field]) => !quiet.includes(field));
  const shown = told.length > 0 ? told : Object.entries(one.fields);
  const old: AnyFields = before?.type === "set" ? before.fields : {};
  const fields = shown.map(([field, value]) => {
    const place = describePlace(definition, { table, field });
    if (field === "order") return `${place} moved`;
    const was = Object.hasOwn(old, field) ? `, before ${tell(field, old[field])}` : "";
    return `${place}: ${tell(field, value)}${was}`;
  });
  const isNamed = named.some((field) => field in one.fields);
  return capital(`${fields.join("; ")}${name && !isNamed ? ` (${name})` : ""}`);
}

type AnyFields = Readonly<Record<string, unknown>>;

const isOfRow = (a: SimpleCommand, b: SimpleCommand): boolean =>
  a.table === b.table && rowIdOf(a) === rowIdOf(b);

/** The row an edit brings back. */
const rowOf = (one: SimpleCommand | undefined): AnyRow | undefined =>
  one?.type === "add" ? (one.row as AnyRow) : undefined;

/** Tells values of a table's fields. */
type Tell = (field: string, value: unknown) => string;

function nameOfRow(definition: Definition, table: string, row: AnyRow | undefined, tell: Tell): string {
  const named = row ? (definition.tables[table]?.named ?? []) : [];
  const field = named.find((one) => typeof row![one] === "string" && row![one] !== "");
  return field === undefined ? "" : tell(field, row![field]).slice(0, 40);
}

/**
 * How values of a table's fields are told for people: as the table or somebody else tells them, a name for an id. A value that
 * has no words of its own is only said to be there.
 * @param nothing what is said where there is none
 */
export function valuesIn(
  definition: Definition,
  table: string,
  body: Body,
  tellers: Tellers = {},
  nothing = "none",
): Tell {
  const { tell = {}, references = {} } = definition.tables[table] ?? {};
  return (field, value) => {
    if (value === null || value === undefined) return nothing;
    const teller = tellers[table]?.[field] ?? tell[field];
    if (teller) return teller(value, body);
    if (typeof value === "boolean") return value ? "yes" : "no";
    const reference = references[field];
    if (reference && typeof value === "string") {
      const row = body[reference.to]?.[value];
      if (!row) return "one that is gone";
      const name = nameOfRow(
        definition,
        reference.to,
        row,
        valuesIn(definition, reference.to, body, tellers),
      );
      return `“${name || "without a name"}”`;
    }
    return tellPlain(value);
  };
}

function tellPlain(value: unknown): string {
  const list = Array.isArray(value) ? value : [value];
  if (list.length === 0) return "none";
  if (list.some((one) => typeof one === "object" && one !== null))
    return list.length === 1 ? "set otherwise" : `${list.length} of them`;
  const text = list.map((one) => one ?? "–").join(", ");
  return text === "" ? "nothing" : text.slice(0, 60);
}

/** How many single changes an edit is made of. */
export const sizeOf = (command: Command): number => singles(command).length;
