import { scoreOf } from "../split";
import {
  type ArrangeCase,
  type ArrangeCell,
  type ArrangeGrid,
  type Arrangement,
  type ArrangeSchool,
  type ArrangeViolation,
  type ArrangeWeights,
  plays,
} from "./case";
import { cellsOf, isPossible } from "./cells";
import { lawsBroken } from "./laws";
import { allows } from "./limits";
import { arrangeTerms } from "./score";

/** Another idea for one cell, and what it changes in the whole song. */
export type OtherIdea = {
  readonly cell: ArrangeCell;
  /** How much more, or less, counts against the arrangement with it. */
  readonly by: number;
  /** The terms that change most, the largest first. */
  readonly changes: readonly { readonly name: keyof ArrangeWeights; readonly by: number }[];
  /** Laws it would break that are kept now. */
  readonly breaks: readonly ArrangeViolation[];
};

/** A law that is broken weighs more than what is only disliked. */
const BREAKS = 50;

/**
 * The next best ideas for a cell, all others staying as they are: those that keep the laws first, then by what they cost.
 * @param most so many
 */
export function otherIdeas(
  asked: ArrangeCase,
  school: ArrangeSchool,
  cells: ArrangeGrid,
  at: number,
  who: number,
  most = 3,
): OtherIdea[] {
  const now = cells[at]![who]!;
  const terms = arrangeTerms(asked, school, cells);
  const [score, sums] = [scoreOf(terms), sumsOf(terms)];
  const broken = new Set(lawsBroken(asked, cells).map(keyOfLaw));
  const lit = cells[at]!.filter(plays).map((cell) => cell.light);
  // Who comes in anew is no brighter than anybody there.
  const light = plays(now) ? now.light : Math.min(4, ...(lit.length > 0 ? lit : [2]));
  const best = new Map<string, OtherIdea>();
  const worth = ({ by, breaks }: OtherIdea) => by + BREAKS * breaks.length;
  for (const option of cellsOf(asked, asked.players[who]!)) {
    if (option.idea === now.idea || !isPossible(option, asked.players[who]!, asked.uses[at]!)) continue;
    if (!asked.limits.every((limit) => allows(asked, limit, at, who, option))) continue;
    const cell = plays(option) ? { ...option, light, entryBar: now.entryBar } : option;
    const changed = withCell(cells, at, who, cell);
    const after = arrangeTerms(asked, school, changed);
    const other: OtherIdea = {
      cell,
      by: scoreOf(after) - score,
      changes: changesOf(sums, sumsOf(after)),
      breaks: lawsBroken(asked, changed).filter((law) => !broken.has(keyOfLaw(law))),
    };
    const known = best.get(option.idea);
    if (!known || worth(other) < worth(known)) best.set(option.idea, other);
  }
  return [...best.values()].sort((a, b) => worth(a) - worth(b)).slice(0, most);
}

/** An arrangement's cells with one of them changed. */
export const withCell = <Cell>(
  cells: readonly (readonly Cell[])[],
  at: number,
  who: number,
  cell: Cell,
): readonly (readonly Cell[])[] =>
  cells.map((row, use) => (use === at ? row.map((one, player) => (player === who ? cell : one)) : row));

const keyOfLaw = ({ law, use, player }: ArrangeViolation): string => `${law} ${use} ${player}`;

type Sums = ReadonlyMap<keyof ArrangeWeights, number>;

/** What counts against an arrangement by each term, weighed and summed over the song. */
export function sumsOf(terms: Arrangement["terms"]): Sums {
  const sums = new Map<keyof ArrangeWeights, number>();
  for (const { name, value, weight } of terms) sums.set(name, (sums.get(name) ?? 0) + value * weight);
  return sums;
}

function changesOf(before: Sums, after: Sums): OtherIdea["changes"] {
  const names = [...new Set([...before.keys(), ...after.keys()])];
  return names
    .map((name) => ({ name, by: (after.get(name) ?? 0) - (before.get(name) ?? 0) }))
    .filter(({ by }) => Math.abs(by) > 0.05)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
}

/** Where two arrangements of one case do otherwise: by use and player. */
export const arrangementDifferences = (
  a: ArrangeGrid,
  b: ArrangeGrid,
): { readonly at: number; readonly who: number }[] =>
  a.flatMap((row, at) =>
    row.flatMap((cell, who) => {
      const other = b[at]![who]!;
      const same = cell.idea === other.idea && cell.role === other.role && cell.entryBar === other.entryBar;
      return same ? [] : [{ at, who }];
    }),
  );
