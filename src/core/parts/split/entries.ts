import type { SplitCell, SplitSection, SplitWeights } from "./case";
import { pairCost } from "./split-table";

/**
 * When everybody comes in, so that what two cost together is least: of any two that clash one waits for the last bar.
 * As few as can be wait; the bass stays from the first bar where it is needed. @returns a bar for each, from 1
 */
export function entriesOf(
  cells: readonly SplitCell[],
  section: SplitSection,
  weights: SplitWeights,
): number[] {
  const anchored = section.bass === "needed" ? cells.findIndex((cell) => cell.role === "bass") : -1;
  const clashes = cells.flatMap((a, at) =>
    cells.flatMap((b, other) => (other > at && pairCost(a, b, weights) > 0 ? [[at, other] as const] : [])),
  );
  if (clashes.length === 0 || section.bars <= 1) return cells.map(() => 1);
  let [best, fewest] = [0, Number.POSITIVE_INFINITY];
  for (let late = 0; late < 2 ** cells.length; late++) {
    if (anchored >= 0 && (late >> anchored) & 1) continue;
    if (!clashes.every(([a, b]) => ((late >> a) | (late >> b)) & 1)) continue;
    // The one who carries waits only where nothing else does.
    const count = cells.reduce(
      (sum, cell, at) => sum + ((late >> at) & 1 ? (cell.role === "carry" ? 1.5 : 1) : 0),
      0,
    );
    if (count < fewest) [best, fewest] = [late, count];
  }
  return cells.map((_, at) => ((best >> at) & 1 ? section.bars : 1));
}
