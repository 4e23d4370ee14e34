import { type ArrangeCase, type ArrangeCell, type ArrangeSchool, plays } from "@/core/parts/arrange/case";
import { cellsOf, isPossible } from "@/core/parts/arrange/cells";
import { lawsBroken } from "@/core/parts/arrange/laws";
import { arrangeTerms } from "@/core/parts/arrange/score";

/** Every way to choose one of each list. */
function* choices<T>(lists: readonly (readonly T[])[]): Generator<readonly T[]> {
  if (lists.length === 0) yield [];
  else for (const one of lists[0]!) for (const rest of choices(lists.slice(1))) yield [one, ...rest];
}

/**
 * The least that any arrangement costs before its light is set, by trying all of them: those that keep laws 1, 3, 4 and 6.
 * @returns null where none keeps them
 */
export function slowArrange(asked: ArrangeCase, school: ArrangeSchool): number | null {
  const options = asked.players.map((player) => cellsOf(asked, player));
  const sets = asked.uses.map((use) => [
    ...choices(
      options.map((cells, who) => cells.filter((cell) => isPossible(cell, asked.players[who]!, use))),
    ),
  ]);
  let least: number | null = null;
  for (const grid of choices<readonly ArrangeCell[]>(sets)) {
    const laws = lawsBroken(asked, grid).filter(({ law }) => law !== 5 && law !== 7);
    if (laws.length > 0) continue;
    const dark = grid.map((cells) => cells.map((cell) => (plays(cell) ? { ...cell, light: 1 } : cell)));
    const cost = arrangeTerms(asked, school, dark)
      .filter(({ name }) => name !== "energy")
      .reduce((sum, { value, weight }) => sum + value * weight, 0);
    if (least === null || cost < least) least = cost;
  }
  return least;
}
