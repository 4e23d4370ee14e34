import { type ArrangeCase, type ArrangeCell, type ArrangeSchool, plays } from "./case";
import { cellsOf, isPossible } from "./cells";
import { changeValue, ownValues, pairLaws, pairValues, weigh } from "./costs";
import { allows } from "./limits";
import { schoolShare } from "./schools";
import { type Want, wantsOf } from "./wants";

/** What a broken law costs in a search: more than anything that is only disliked. */
export const BREACH = 1e5;

/** What two players cost each other, by the option of the first times how many the second has, plus the second's. */
type PairTable = {
  /** In each bar both play. */
  readonly eachBar: Float64Array;
  /** Once, where a law is broken. */
  readonly once: Float64Array;
};

/** All that is the same for every school: what each player can do, where, and how any two get on. */
export type Board = {
  readonly asked: ArrangeCase;
  /** By player: everything they could do, out first. */
  readonly options: readonly (readonly ArrangeCell[])[];
  /** By use and player: the options that the use and the limits allow. */
  readonly allowed: readonly (readonly Int16Array[])[];
  /** By player and later player. */
  readonly pairs: ReadonlyMap<number, PairTable>;
  /** By player: what changes from one option to another, weighed. */
  readonly changes: readonly Float64Array[];
  /** By player and option: a number for its idea, the same for equal ideas. */
  readonly ideas: readonly Int16Array[];
  /** How many ideas of each player have a number. */
  readonly ideaCounts: readonly number[];
};

export const pairKey = (a: number, b: number): number => a * 64 + b;

export function boardOf(asked: ArrangeCase): Board {
  const { players, uses, weights } = asked;
  const options = players.map((player) => cellsOf(asked, player));
  const numbered = options.map((cells) => {
    const known = new Map<string, number>();
    const numbers = Int16Array.from(cells, ({ idea }) => {
      if (!known.has(idea)) known.set(idea, known.size);
      return known.get(idea)!;
    });
    return { numbers, count: known.size };
  });
  const pairs = new Map<number, PairTable>();
  for (let a = 0; a < players.length; a++)
    for (let b = a + 1; b < players.length; b++) pairs.set(pairKey(a, b), pairTable(asked, options, a, b));
  return {
    asked,
    options,
    allowed: uses.map((_, at) => players.map((_, who) => allowedAt(asked, options, at, who))),
    pairs,
    changes: options.map((cells) =>
      Float64Array.from({ length: cells.length ** 2 }, (_, key) => {
        const [before, after] = [cells[Math.floor(key / cells.length)]!, cells[key % cells.length]!];
        return weights.change * changeValue(before, after);
      }),
    ),
    ideas: numbered.map(({ numbers }) => numbers),
    ideaCounts: numbered.map(({ count }) => count),
  };
}

function pairTable(asked: ArrangeCase, options: Board["options"], a: number, b: number): PairTable {
  const [own, others] = [options[a]!, options[b]!];
  const [playerA, playerB] = [asked.players[a]!, asked.players[b]!];
  const eachBar = new Float64Array(own.length * others.length);
  const once = new Float64Array(own.length * others.length);
  for (const [i, one] of own.entries()) {
    if (!plays(one)) continue;
    for (const [j, other] of others.entries()) {
      if (!plays(other)) continue;
      eachBar[i * others.length + j] = weigh(pairValues(one, other, playerA, playerB), asked.weights);
      once[i * others.length + j] = BREACH * pairLaws(one, other, playerA, playerB).length;
    }
  }
  return { eachBar, once };
}

/** What the use allows and the limits too; where limits allow nothing, all that the use does. */
function allowedAt(asked: ArrangeCase, options: Board["options"], at: number, who: number): Int16Array {
  const player = asked.players[who]!;
  const possible = options[who]!.flatMap((cell, option) =>
    isPossible(cell, player, asked.uses[at]!) ? [option] : [],
  );
  let left = possible;
  // One after another, in the order they were asked for: what would leave nothing is told afterwards, and not held.
  for (const limit of asked.limits) {
    const held = left.filter((option) => allows(asked, limit, at, who, options[who]![option]!));
    if (held.length > 0) left = held;
  }
  return Int16Array.from(left);
}

/** What a school adds to a board. */
export type Plan = {
  readonly school: ArrangeSchool;
  readonly wants: readonly Want[];
  /** By use and player: what each allowed option costs by itself, in the order of the allowed ones. */
  readonly own: readonly (readonly Float64Array[])[];
};

/**
 * @param avoided by use, player and option more than nothing for what an earlier proposal of the school has
 */
export function planOf(
  board: Board,
  school: ArrangeSchool,
  avoided: (at: number, who: number, cell: ArrangeCell) => number = () => 0,
): Plan {
  const { asked, options, allowed } = board;
  const wants = wantsOf(asked, schoolShare(school, asked));
  return {
    school,
    wants,
    own: asked.uses.map((use, at) =>
      asked.players.map((_, who) =>
        Float64Array.from(allowed[at]![who]!, (option) => {
          const cell = options[who]![option]!;
          const values = ownValues(asked, school, wants[at]!, at, who, cell);
          return use.bars * weigh(values, asked.weights) + avoided(at, who, cell);
        }),
      ),
    ),
  };
}
