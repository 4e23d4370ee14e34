import { EMPTY_CELL } from "./cells";
import { add, type MakeId, orderAtEnd, set } from "./commands";
import { pairUses } from "./compare-form";
import type { Difference, SectionPair, Side } from "./compare-side";

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
      if (!other || fields.length === 0) return [];
      const label = mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? "";
      const words = fields.map((field) => `${field} ${there?.[field] ?? "as inherited"} there`).join(", ");
      const values = Object.fromEntries(fields.map((field) => [field, there?.[field] ?? null]));
      const take = own
        ? set("cells", own.id, values)
        : add("cells", { ...EMPTY_CELL, ...values, id: makeId(), useId: mine.id, playerId: player.id });
      return [{ id: `cell ${mine.id} ${player.id}`, where: `${player.name} in ${label}`, words, take }];
    });
  });
}
