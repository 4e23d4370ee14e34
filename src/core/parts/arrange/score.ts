import { lightOf } from "../split";
import {
  type ArrangeCase,
  type ArrangeCell,
  type ArrangeGrid,
  type ArrangeSchool,
  type ArrangeTerm,
  type ArrangeWeights,
  plays,
} from "./case";
import {
  changeValue,
  idleValue,
  isOneTooMany,
  ownValues,
  pairValues,
  SAME_SHARE,
  togetherValues,
} from "./costs";
import { schoolShare } from "./schools";
import { wantsOf } from "./wants";

/** Every term of an arrangement, by use; left out where nothing counts against it. Independent of how it was found. */
export function arrangeTerms(asked: ArrangeCase, school: ArrangeSchool, grid: ArrangeGrid): ArrangeTerm[] {
  const wants = wantsOf(asked, schoolShare(school, asked));
  const { players, uses, weights } = asked;
  return uses.flatMap((use, at) => {
    const cells = grid[at]!;
    const sums = new Map<keyof ArrangeWeights, number>();
    const add = (values: Partial<Record<keyof ArrangeWeights, number>>, times: number) => {
      for (const [name, value] of Object.entries(values) as [keyof ArrangeWeights, number][])
        sums.set(name, (sums.get(name) ?? 0) + value * times);
    };
    for (const [who, cell] of cells.entries()) {
      add(ownValues(asked, school, wants[at]!, at, who, cell), use.bars);
      for (let other = who + 1; other < cells.length; other++)
        add(pairValues(cell, cells[other]!, players[who]!, players[other]!), use.bars);
      if (at > 0) add({ change: changeValue(grid[at - 1]![who]!, cell) }, 1);
      add(alongValues(asked, grid, at, who), 1);
    }
    add(togetherValues(asked, wants[at]!, at, cells), use.bars);
    add({ energy: Math.abs(use.energy - lightOf(cells.map(({ light }) => light))) }, use.bars);
    return [...sums].flatMap(([name, value]): ArrangeTerm[] =>
      value === 0 ? [] : [{ use: use.id, name, value, weight: weights[name] }],
    );
  });
}

/** What counts against a cell because of what was before it: the round before, other sections, how long it was out. */
function alongValues(
  asked: ArrangeCase,
  grid: ArrangeGrid,
  at: number,
  who: number,
): Partial<Record<keyof ArrangeWeights, number>> {
  const { uses, players } = asked;
  const { section, bars } = uses[at]!;
  const cell = grid[at]![who]!;
  const sounds =
    players[who]!.sounds !== null && isOneTooMany(players[who]!, cell, coloursBefore(grid, at, who)) ? 1 : 0;
  const before = roundBefore(uses, at);
  if (!plays(cell)) {
    let waited = 0;
    while (waited < at && !plays(grid[at - 1 - waited]![who]!)) waited++;
    return {
      idle: idleValue(players[who]!, bars, waited),
      identity: before !== null && grid[before]![who]!.idea !== cell.idea ? 1 : 0,
    };
  }
  if (before !== null) return { sounds, identity: grid[before]![who]!.idea === cell.idea ? 0 : 1 };
  const elsewhere = uses.some(
    (use, other) => other < at && use.section !== section && grid[other]![who]!.idea === cell.idea,
  );
  return { sounds, same: elsewhere ? SAME_SHARE[players[who]!.instrument] : 0 };
}

/** The colours a player has had before a use. */
const coloursBefore = (grid: ArrangeGrid, at: number, who: number): ReadonlySet<ArrangeCell["colour"]> =>
  new Set(grid.slice(0, at).flatMap((row) => row[who]!.colour ?? []));

/** The round before of the section a use is a time through; null for its first. */
export function roundBefore(uses: ArrangeCase["uses"], at: number): number | null {
  for (let other = at - 1; other >= 0; other--) if (uses[other]!.section === uses[at]!.section) return other;
  return null;
}
