import type { MakeId } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import type { VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import { EMPTY_CELL, type Riff, type StrumRow } from "../schema/parts";

import { pairUses } from "./form";
import type { Difference, SectionPair, Side } from "./side";

/** Players by their names. */
export function playerDifferences(a: Side, b: Side, makeId: MakeId): Difference[] {
  const [mine, theirs] = [Object.values(a.body.players), Object.values(b.body.players)];
  const partner = (name: string) => theirs.find((one) => one.name === name);
  const changed = mine.flatMap((player): Difference[] => {
    const other = partner(player.name);
    if (!other)
      return [
        { id: `player ${player.id}`, where: "Players", words: `${player.name} plays only here`, take: null },
      ];
    const fields = PLAYER_FIELDS.filter((field) => !sameValue(player[field], other[field]));
    if (fields.length === 0) return [];
    const words = fields
      .map((field) => `${FIELD_WORDS[field] ?? field} ${sayValue(other[field])} there`)
      .join(", ");
    const take = set("players", player.id, Object.fromEntries(fields.map((field) => [field, other[field]])));
    return [{ id: `player ${player.id}`, where: player.name, words, take }];
  });
  const missing = theirs
    .filter((player) => !mine.some((one) => one.name === player.name))
    .map((player) => ({
      id: `player ${player.id}`,
      where: "Players",
      words: `${player.name} plays only there`,
      take: add("players", { ...player, id: makeId(), order: orderAtEnd(mine) }),
    }));
  return [...changed, ...missing];
}

/** Fields told and taken over; patterns and lines have rows of their own and are told by their names. */
const CELL_FIELDS = [
  "light",
  "role",
  "style",
  "strings",
  "capo",
  "note",
  "technique",
  "sound",
  "bars",
  "phrases",
] as const;
const NAMED_FIELDS = [
  { field: "strumId", table: "strums", word: "pattern" },
  { field: "riffId", table: "riffs", word: "line" },
] as const;
/** A pattern or a line of the other version, copied with what hangs on it. */
function bring(
  there: Side,
  table: "strums" | "riffs",
  row: StrumRow | Riff,
  id: string,
  makeId: MakeId,
): VersionStep[] {
  const notes = Object.values(there.body.riffNotes).filter(
    (note) => table === "riffs" && note.riffId === row.id,
  );
  return [
    { type: "add", table, row: { ...row, id, originId: row.id } } as VersionStep,
    ...notes.map((note) => add("riffNotes", { ...note, id: makeId(), riffId: id })),
  ];
}

/** A field of a cell as it is told of the other side. */
const sayField = (value: unknown): string => {
  if (value === null) return "as inherited";
  return typeof value === "object" ? JSON.stringify(value) : String(value);
};
const PLAYER_FIELDS = [
  "capo",
  "tuning",
  "level",
  "light",
  "role",
  "range",
  "reads",
  "writing",
  "leftHanded",
  "thumb",
  "scaleMm",
  "loops",
] as const;
const FIELD_WORDS: Readonly<Partial<Record<(typeof PLAYER_FIELDS)[number], string>>> = Object.freeze({
  level: "hand",
  reads: "names",
  writing: "spelling",
  leftHanded: "left-handed",
  scaleMm: "scale length",
});
const sameValue = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
/** A value as it is told of the other side. */
const sayValue = (value: unknown): string =>
  value === null ? "as usual" : Array.isArray(value) ? value.join(" ") : String(value);

/** Parts, where both versions have the player and the use. */
export function cellDifferences(
  a: Side,
  b: Side,
  sections: readonly SectionPair[],
  makeId: MakeId,
): Difference[] {
  return pairUses(a, b, sections).flatMap(({ a: mine, b: theirs }) => {
    if (!mine || !theirs) return [];
    return Object.values(a.body.players).flatMap((player): Difference[] => {
      const other = Object.values(b.body.players).find((one) => one.name === player.name);
      const cell = (side: Side, useId: string, playerId: string) =>
        Object.values(side.body.cells).find((one) => one.useId === useId && one.playerId === playerId);
      const [own, there] = [cell(a, mine.id, player.id), other && cell(b, theirs.id, other.id)];
      const fields = CELL_FIELDS.filter((field) => !sameValue(own?.[field] ?? null, there?.[field] ?? null));
      // Patterns and lines are rows of their own: they are the same by name, and taken where this version has one so called.
      const named = NAMED_FIELDS.flatMap(({ field, table, word }) => {
        const nameIn = (side: Side, id: string | null | undefined) =>
          side.body[table][id ?? ""]?.name ?? null;
        const [here, name] = [nameIn(a, own?.[field]), nameIn(b, there?.[field])];
        if (here === name) return [];
        const known = Object.values(a.body[table]).find((row) => row.name === name)?.id ?? null;
        const row = b.body[table][there?.[field] ?? ""];
        const id = known ?? (row ? makeId() : null);
        const brought = known === null && row && id !== null ? bring(b, table, row, id, makeId) : [];
        return [
          { field, id, brought, said: `${word} ${name === null ? "as inherited" : `“${name}”`} there` },
        ];
      });
      if (!other || fields.length + named.length === 0) return [];
      const label = mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? "";
      const words = [
        ...fields.map((field) => `${field} ${sayField(there?.[field] ?? null)} there`),
        ...named.map(({ said }) => said),
      ].join(", ");
      const values = Object.fromEntries([
        ...fields.map((field) => [field, there?.[field] ?? null]),
        ...named.map(({ field, id }) => [field, id]),
      ]);
      const taken = own
        ? set("cells", own.id, values)
        : add("cells", { ...EMPTY_CELL, ...values, id: makeId(), useId: mine.id, playerId: player.id });
      const brought = named.flatMap((one) => one.brought);
      const take = brought.length > 0 ? batch("Take a part over", [...brought, taken]) : taken;
      return [{ id: `cell ${mine.id} ${player.id}`, where: `${player.name} in ${label}`, words, take }];
    });
  });
}
