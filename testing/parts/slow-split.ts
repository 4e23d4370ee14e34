import { OUT_CELL, type School, type SplitCase, type SplitCell } from "../../src/core/parts/split/case";
import { optionsOf } from "../../src/core/parts/split/split-options";
import { violationsOf } from "../../src/core/parts/split/split-rules";
import { changesInto, scoreOf, termsOf } from "../../src/core/parts/split/split-score";

/**
 * The slow obvious search: every cell with every light and entry, every pair of them, every way through the sections;
 * judged by the score and the rules alone. For tests, with two players and few bars.
 */
export function slowSplit(split: SplitCase, school: School): number {
  const least: { cells: readonly SplitCell[]; cost: number }[][] = [];
  for (const [at, section] of split.sections.entries()) {
    const own = split.players.map((player) =>
      optionsOf(split, player).flatMap((cell) =>
        cell.role === "out"
          ? [OUT_CELL]
          : [1, 2, 3, 4].flatMap((lamp) =>
              Array.from({ length: section.bars }, (_, bar) => ({ ...cell, lamp, entryBar: bar + 1 })),
            ),
      ),
    );
    const rows = own.reduce<SplitCell[][]>(
      (sofar, cells) => sofar.flatMap((row) => cells.map((cell) => [...row, cell])),
      [[]],
    );
    const alone = { ...split, sections: [section] };
    const states = rows.flatMap((cells) => {
      const broken = violationsOf(alone, school, [cells]).filter((one) => one.section !== null);
      return broken.length > 0 ? [] : [{ cells, cost: scoreOf(termsOf(alone, [cells])) }];
    });
    const before = least[at - 1];
    const last = split.sections[at - 1];
    least.push(
      states.map(({ cells, cost }) => {
        if (!before || !last) return { cells, cost };
        const lamps = light(cells);
        const bound = school === "layered build" && section.energy >= last.energy;
        let best = Number.POSITIVE_INFINITY;
        for (const one of before)
          if (!bound || light(one.cells) <= lamps)
            best = Math.min(best, one.cost + split.weights.change * changesInto(one.cells, cells));
        return { cells, cost: cost + best };
      }),
    );
  }
  return Math.min(...least.at(-1)!.map(({ cost }) => cost));
}

const light = (cells: readonly SplitCell[]): number => cells.reduce((sum, cell) => sum + cell.lamp, 0);
