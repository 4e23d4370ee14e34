import { copiedRow, differingFields, type MakeId, type Mates, type Pair } from "../../../document";
import type { VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import { DOCUMENTS } from "../schema/documents";
import { type Cell, EMPTY_CELL } from "../schema/parts";
import type { Use } from "../schema/sections";
import { tellFields } from "./compare-rows";
import { type Difference, namedMates, type Side } from "./side";

/** Fields of a cell that name a row of their own: it is told by its name, and comes over with the part. */
const NAMED = { strumId: "strums", shortStrumId: "strums", fillStrumId: "strums", riffId: "riffs" } as const;
type Named = keyof typeof NAMED;

/** A pattern or a line of the other version, copied with what hangs on it. */
function bring(there: Side, field: Named, fromId: string, id: string, makeId: MakeId): VersionStep[] {
  if (NAMED[field] === "strums")
    return [add("strums", copiedRow(DOCUMENTS.version, "strums", there.body.strums[fromId]!, id, {}))];
  const notes = Object.values(there.body.riffNotes).filter((note) => note.riffId === fromId);
  return [
    add("riffs", copiedRow(DOCUMENTS.version, "riffs", there.body.riffs[fromId]!, id, {})),
    ...notes.map((note) => add("riffNotes", { ...note, id: makeId(), riffId: id })),
  ];
}

/** Parts, where both versions have the player and the use. */
export function cellDifferences(
  a: Side,
  b: Side,
  uses: readonly Pair<Use, Use>[],
  makeId: MakeId,
): Difference[] {
  const mates = namedMates(a, b);
  const theirPlayers = new Map([...mates.players!].map(([there, here]) => [here, there]));
  const cellOf = (side: Side, useId: string, playerId: string | undefined): Cell | null =>
    Object.values(side.body.cells).find((one) => one.useId === useId && one.playerId === playerId) ?? null;
  return uses.flatMap(({ a: mine, b: theirs }) => {
    if (!mine || !theirs) return [];
    return Object.values(a.body.players).flatMap((player): Difference[] => {
      const other = theirPlayers.get(player.id);
      if (other === undefined) return [];
      const [own, there] = [cellOf(a, mine.id, player.id), cellOf(b, theirs.id, other)];
      const brought = broughtBy(there, mates, makeId);
      const known = { ...mates, ...brought.mates };
      const fields = differingFields(DOCUMENTS.version, "cells", own, there, known);
      if (Object.keys(fields).length === 0) return [];
      const words = tellFields(a, b, "cells", own, there, Object.keys(fields), "as inherited");
      const steps = brought.rows.flatMap(([field, fromId, id]) =>
        field in fields ? bring(b, field, fromId, id, makeId) : [],
      );
      const taken = own
        ? set("cells", own.id, fields)
        : add("cells", { ...EMPTY_CELL, ...fields, id: makeId(), useId: mine.id, playerId: player.id });
      const label = mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? "";
      return [
        {
          id: `cell ${mine.id} ${player.id}`,
          where: `${player.name} in ${label}`,
          words: words.join("; "),
          take: steps.length > 0 ? batch("Take a part over", [...steps, taken]) : taken,
        },
      ];
    });
  });
}

type Brought = readonly [field: Named, fromId: string, id: string];

/** Patterns and lines a cell there names that have no like here, with the ids they would get. */
function broughtBy(
  there: Cell | null,
  mates: Mates,
  makeId: MakeId,
): { readonly rows: readonly Brought[]; readonly mates: Mates } {
  const rows: Brought[] = [];
  for (const field of Object.keys(NAMED) as Named[]) {
    const fromId = there?.[field] ?? null;
    if (fromId === null || mates[NAMED[field]]?.has(fromId)) continue;
    // One pattern for both lengths of chords comes over once.
    if (rows.some(([one, id]) => NAMED[one] === NAMED[field] && id === fromId)) continue;
    rows.push([field, fromId, makeId()]);
  }
  const fresh = (table: (typeof NAMED)[Named]) =>
    new Map([
      ...(mates[table] ?? []),
      ...rows.flatMap(([one, fromId, id]) => (NAMED[one] === table ? [[fromId, id] as const] : [])),
    ]);
  return { rows, mates: { strums: fresh("strums"), riffs: fresh("riffs") } };
}
