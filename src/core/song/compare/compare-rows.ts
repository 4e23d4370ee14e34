import {
  copiedRow,
  differingFields,
  type FieldsOf,
  type MakeId,
  type Mates,
  type Pair,
  type Tellers,
  valuesIn,
} from "../../../document";
import { removalIn } from "../edit/commands";
import type { VersionStep } from "../edit/edits";
import { batch } from "../edit/makers";
import { DOCUMENTS, type VersionTables } from "../schema/documents";
import { tellChordsBy } from "../schema/telling";
import type { Difference, Side } from "./side";

type Table = keyof VersionTables;

/** Where a difference stands, and its words. */
type Told = { readonly where: string; readonly words: string };

/** How rows of a table are told and taken over, where their table alone does not say. */
export type RowManner<Name extends Table> = {
  readonly table: Name;
  /** What a difference is called before the row's id. */
  readonly noun: string;
  /** What taking one over is called in the history. */
  readonly label: string;
  readonly onlyHere: (row: VersionTables[Name]) => Told;
  readonly onlyThere: (row: VersionTables[Name]) => Told;
  /** @param fields what is said of the fields that differ @param inside how many edits what hangs on the row takes */
  readonly otherwise: (
    mine: VersionTables[Name],
    theirs: VersionTables[Name],
    fields: FieldsOf<VersionTables[Name]>,
    inside: number,
  ) => Told;
  /** How a row that is only here is taken out; with all that hangs on it, where nothing is said. */
  readonly remove?: (row: VersionTables[Name]) => readonly VersionStep[] | null;
  /** What a row has otherwise when it is added here. */
  readonly added?: (row: VersionTables[Name]) => FieldsOf<VersionTables[Name]>;
  /** Further fields that go along with those that differ. */
  readonly along?: (fields: FieldsOf<VersionTables[Name]>) => FieldsOf<VersionTables[Name]>;
  /** Edits that make what hangs on a row here as it is on one there. */
  readonly inside?: (hereId: string, theirs: VersionTables[Name]) => readonly VersionStep[];
};

/**
 * The fields that differ with their values on both sides.
 * @param nothing what is said where a side has none
 * @example tellFields(a, b, "players", mine, theirs, ["capo"]) // => ["capo: 2 there, 0 here"]
 */
export function tellFields<Name extends Table>(
  a: Side,
  b: Side,
  table: Name,
  mine: VersionTables[Name] | null,
  theirs: VersionTables[Name] | null,
  fields: readonly string[],
  nothing = "none",
): string[] {
  const { compared } = DOCUMENTS.version.tables[table];
  const [here, there] = [a, b].map((side) =>
    valuesIn(DOCUMENTS.version, table, side.body, tellersOf(side), nothing),
  ) as [Tell, Tell];
  const value = (row: VersionTables[Name] | null, field: string): unknown =>
    (row as Readonly<Record<string, unknown>> | null)?.[field] ?? null;
  return fields.map(
    (field) =>
      `${compared[field] ?? field}: ${there(field, value(theirs, field))} there, ${here(field, value(mine, field))} here`,
  );
}

type Tell = ReturnType<typeof valuesIn>;

/** Chords and keys of a side as who reads calls them. */
const tellersOf = ({ nameOf }: Side): Tellers => ({
  loopLayers: { chords: tellChordsBy(nameOf) },
});

/** What differs between pairs of rows of one table, each with what takes it over. */
export function rowDifferences<Name extends Table>(
  a: Side,
  pairs: readonly Pair<VersionTables[Name], VersionTables[Name]>[],
  mates: Mates,
  manner: RowManner<Name>,
  makeId: MakeId,
): Difference[] {
  const { table, noun, label, inside = () => [] } = manner;
  // One table's step is one of the steps of all tables; its type can't be told for a table that is not known yet.
  const step = (one: object): VersionStep => ({ table, ...one }) as VersionStep;
  return pairs.flatMap(({ a: mine, b: theirs }): Difference[] => {
    if (mine && theirs) {
      const differing = differingFields(DOCUMENTS.version, table, mine, theirs, mates);
      const within = inside(mine.id, theirs);
      const count = Object.keys(differing).length;
      if (count + within.length === 0) return [];
      const fields = { ...differing, ...manner.along?.(differing) };
      const set = count === 0 ? [] : [step({ type: "set", id: mine.id, fields })];
      return [
        {
          id: `${noun} ${mine.id}`,
          ...manner.otherwise(mine, theirs, differing, within.length),
          take: batch(label, [...set, ...within]),
        },
      ];
    }
    if (mine) {
      const removal = manner.remove ? manner.remove(mine) : removalIn(a.body, table, mine.id);
      const take = removal && batch(label, removal);
      return [{ id: `${noun} ${mine.id}`, ...manner.onlyHere(mine), take }];
    }
    if (!theirs) return [];
    const id = makeId();
    const row = { ...copiedRow(DOCUMENTS.version, table, theirs, id, mates), ...manner.added?.(theirs) };
    const take = batch(label, [step({ type: "add", row }), ...inside(id, theirs)]);
    return [{ id: `${noun} ${theirs.id}`, ...manner.onlyThere(theirs), take }];
  });
}

/** The one difference of a row that stands once on each side, such as a box. */
export function soleDifference<Name extends Table>(
  a: Side,
  b: Side,
  table: Name,
  {
    mine,
    theirs,
  }: { readonly mine: VersionTables[Name] | null; readonly theirs: VersionTables[Name] | null },
  added: FieldsOf<VersionTables[Name]>,
  { noun, ...told }: { readonly id: string; readonly where: string; readonly noun: string },
  makeId: MakeId,
): Difference[] {
  const fields = theirs ? differingFields(DOCUMENTS.version, table, mine, theirs, {}) : {};
  if (!theirs || Object.keys(fields).length === 0) return [];
  const take = mine
    ? { type: "set", table, id: mine.id, fields }
    : { type: "add", table, row: { ...theirs, id: makeId(), ...added } };
  const words = mine
    ? `${noun}: ${tellFields(a, b, table, mine, theirs, Object.keys(fields)).join("; ")}`
    : `${noun} is only there`;
  return [{ ...told, words, take: take as VersionStep }];
}
