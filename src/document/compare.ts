import type { AnyRow, FieldsOf, Tables } from "./command";
import type { Definition } from "./definition";

/** Which row of another document is which here, by table: ids there to ids here. */
export type Mates = { readonly [table: string]: ReadonlyMap<string, string> };

/** Fields of a row of another document, naming rows here: what they name has no like here, it is let go. */
function asHere<T extends Tables, Name extends keyof T & string>(
  definition: Definition<T>,
  table: Name,
  row: T[Name],
  mates: Mates,
): T[Name] {
  const named = Object.entries(definition.tables[table].references).map(([field, { to }]) => {
    const id = (row as AnyRow)[field];
    return [field, typeof id === "string" ? (mates[to]?.get(id) ?? null) : id];
  });
  return { ...row, ...Object.fromEntries(named) };
}

/**
 * What would have to be set on a row here for it to be as one of another document, of the fields their table compares.
 * A row that is not there says nothing: null in every field.
 * @returns the fields that differ, with the values they have there
 */
export function differingFields<T extends Tables, Name extends keyof T & string>(
  definition: Definition<T>,
  table: Name,
  mine: T[Name] | null,
  theirs: T[Name] | null,
  mates: Mates,
): FieldsOf<T[Name]> {
  const there: AnyRow | null = theirs && asHere(definition, table, theirs, mates);
  const here: AnyRow | null = mine;
  const fields = Object.keys(definition.tables[table].compared).flatMap((field) => {
    const [before, after] = [here?.[field] ?? null, there?.[field] ?? null];
    return JSON.stringify(before) === JSON.stringify(after) ? [] : [[field, after]];
  });
  return Object.fromEntries(fields) as FieldsOf<T[Name]>;
}

/** A row of another document as it is added here, under a fresh id. */
export function copiedRow<T extends Tables, Name extends keyof T & string>(
  definition: Definition<T>,
  table: Name,
  theirs: T[Name],
  id: string,
  mates: Mates,
): T[Name] {
  const origin = "originId" in theirs ? { originId: theirs.id } : {};
  return { ...asHere(definition, table, theirs, mates), ...origin, id };
}

/** Pairs rows of two lists by the first way that fits; each row has one mate at most. */
export function pairRows<Row>(
  mine: readonly Row[],
  theirs: readonly Row[],
  ways: readonly ((a: Row, b: Row) => boolean)[],
): { readonly a: Row | null; readonly b: Row | null }[] {
  const mates = new Map<Row, Row>();
  const taken = new Set<Row>();
  for (const fits of ways)
    for (const a of mine) {
      const b = mates.has(a) ? undefined : theirs.find((one) => !taken.has(one) && fits(a, one));
      if (b === undefined) continue;
      mates.set(a, b);
      taken.add(b);
    }
  return [
    ...mine.map((a) => ({ a, b: mates.get(a) ?? null })),
    ...theirs.filter((b) => !taken.has(b)).map((b) => ({ a: null, b })),
  ];
}
