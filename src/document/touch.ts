import { type Command, rowIdOf, singles } from "./command";

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
