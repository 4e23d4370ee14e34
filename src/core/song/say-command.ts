import { capital } from "../../base";
import { beatsOfTicks, countBeats } from "../rhythm";
import type { Body } from "./body";
import { type Command, rowIdOf, type SimpleCommand, singles } from "./edit";
import { sayPlace } from "./say-edit";

/**
 * What an edit did, in a few words for the list of what has happened.
 * @param body the document as it is now, for names of what is still there
 * @example sayCommand({ type: "set", table: "version", id: "v", fields: { bpm: 90 } }, body) // => "Tempo: 90"
 */
export function sayCommand(command: Command, body: Body): string {
  if (command.type === "batch")
    return command.commands.length === 1 ? sayOne(command.commands[0]!, body) : command.label;
  return sayOne(command, body);
}

function sayOne(one: SimpleCommand, body: Body): string {
  const name = nameOfRow(one.type === "add" ? one.row : body[one.table]?.[rowIdOf(one)]);
  if (one.type !== "set") {
    const what = sayPlace({ table: one.table, id: "", field: "*" });
    return capital(`${one.type === "add" ? "new" : "removed"} ${what}${name ? ` “${name}”` : ""}`);
  }
  const told = Object.entries(one.fields).filter(([field]) => !BOOKKEEPING.has(field));
  const shown = told.length > 0 ? told : Object.entries(one.fields);
  const fields = shown.map(([field, value]) => {
    const place = sayPlace({ table: one.table, id: one.id, field });
    return field === "order" ? `${place} moved` : `${place}: ${sayValue(field, value, body)}`;
  });
  const named = ["label", "symbol", "title", "name", "text"].some((field) => field in one.fields);
  return capital(`${fields.join(", ")}${name && !named ? ` (${name})` : ""}`);
}

const nameOfRow = (row: unknown): string => {
  if (typeof row !== "object" || row === null) return "";
  const { label, name, symbol, text, title } = row as Record<string, unknown>;
  const found = [label, name, symbol, text, title].find((one) => typeof one === "string" && one !== "");
  return typeof found === "string" ? found.slice(0, 40) : "";
};

/** Fields that go along with another change and say nothing beside it. */
const BOOKKEEPING: ReadonlySet<string> = new Set(["guessed", "offset", "originId", "sourceId"]);
const IN_TICKS: ReadonlySet<string> = new Set(["ticks", "pickup"]);

/** A value for people: beats for ticks, a name for an id. */
function sayValue(field: string, value: unknown, body: Body): string {
  if (value === null) return "none";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number" && IN_TICKS.has(field)) {
    const [version] = Object.values(body.version ?? {});
    return countBeats(beatsOfTicks(value, String(version?.beatUnit ?? "1/4")));
  }
  if (typeof value === "string" && REFERRING.test(field)) {
    const row = Object.values(body).find((rows) => value in rows)?.[value];
    return row ? `“${nameOfRow(row) || "without a name"}”` : "one that is gone";
  }
  return Array.isArray(value) ? value.join(", ").slice(0, 60) : String(value).slice(0, 60);
}

const REFERRING = /Id$|^followedBy$/u;

/** How many single changes an edit is made of. */
export const sizeOf = (command: Command): number => singles(command).length;
