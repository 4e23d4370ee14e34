import { sharedOnsets, sharedSemitones } from "../split";
import { type ArrangeCase, type ArrangeCell, plays } from "./case";
import { cellsOf, isPossible } from "./cells";
import { ownValues, pairLaws, pairValues, weigh } from "./costs";
import { type Idea, ideaOf } from "./ideas";
import { wantsOf } from "./wants";

/** Ways two guitars are two instruments. Ours, common practice, no source. */
export const CONTRAST_WAYS = [
  "low and high",
  "strum and picked notes",
  "long and short",
  "two rhythms that interlock",
  "chords and a line",
] as const;
type ContrastWay = (typeof CONTRAST_WAYS)[number];

const isHigh = ({ place, strings }: Idea): boolean => place === "high" && strings !== "low three";
const isLong = ({ figure }: Idea): boolean => figure === "whole" || figure === "slow roll";
const isBass = ({ roles }: Idea): boolean => roles[0] === "bass";

/** Which ideas the one and the other have in a way. */
const WAY_IDEAS: Readonly<Record<ContrastWay, readonly [(idea: Idea) => boolean, (idea: Idea) => boolean]>> =
  Object.freeze({
    "low and high": [
      (idea) => !isHigh(idea) && idea.line === undefined,
      (idea) => isHigh(idea) && idea.line === undefined,
    ],
    "strum and picked notes": [
      ({ hand }) => hand === "strum",
      ({ hand, line }) => hand !== "strum" && line === undefined,
    ],
    "long and short": [
      isLong,
      (idea) => !isLong(idea) && (idea.colour === "dry" || idea.colour === "damped"),
    ],
    "two rhythms that interlock": [
      ({ hand, figure }) => hand === "strum" && figure !== "between" && figure !== "whole",
      ({ figure }) => figure === "between" || figure === "backbeat" || figure === "answers",
    ],
    "chords and a line": [({ line }) => line === undefined, ({ line }) => line !== undefined],
  });

/** Two guitars in one way, through the uses asked for. */
export type ContrastOffer = {
  readonly way: ContrastWay;
  /** By use; what the first and the second of them play. */
  readonly cells: readonly (readonly [ArrangeCell, ArrangeCell])[];
} & Overlap;

/** What two share on the mean, by bars: semitones of register, and their strokes, 0 to 1. */
export type Overlap = { readonly semitones: number; readonly strokes: number };

/** What the search looks at of a part that is there. */
type Heard = Pick<ArrangeCell, "low" | "high" | "onsets">;

/** What pairs share on the mean, by the bars of each. @example overlapOf([{ bars: 4, pair: [low, high] }]).semitones // => 0 */
export function overlapOf(
  pairs: readonly { readonly bars: number; readonly pair: readonly [Heard, Heard] }[],
): Overlap {
  const bars = pairs.reduce((sum, one) => sum + one.bars, 0);
  if (bars === 0) return { semitones: 0, strokes: 0 };
  const mean = (of: (a: Heard, b: Heard) => number) =>
    pairs.reduce((sum, { bars: own, pair: [a, b] }) => sum + of(a, b) * own, 0) / bars;
  return { semitones: mean(sharedSemitones), strokes: mean((a, b) => sharedOnsets(a.onsets, b.onsets)) };
}

/**
 * Ways in which two guitars could be two instruments through some uses, least shared first: in each use the best two ideas of
 * the way for how full it is wanted, always the same of them being the one and the other.
 * @param pair places in the list of players
 * @param uses places in the form
 * @returns the ways both can play
 */
export function contrastsOf(
  asked: ArrangeCase,
  pair: readonly [number, number],
  uses: readonly number[],
): ContrastOffer[] {
  return CONTRAST_WAYS.flatMap((way) => {
    const [straight, turned] = [false, true].map((other) => bestThrough(asked, pair, uses, way, other));
    // The first of them is the one, unless that is clearly dearer.
    const best =
      straight && turned ? (straight.cost > TURNED * turned.cost ? turned : straight) : (straight ?? turned);
    if (!best) return [];
    const heard = best.cells.map((cells, at) => ({ bars: asked.uses[uses[at]!]!.bars, pair: cells }));
    return [{ way, cells: best.cells, ...overlapOf(heard) }];
  }).sort((a, b) => a.semitones + 12 * a.strokes - b.semitones - 12 * b.strokes);
}

/** So much dearer the first may be as the one before the two are turned about. Ours. */
const TURNED = 1.1;

type Through = { readonly cells: ContrastOffer["cells"]; readonly cost: number };

/** The cheapest two ideas of a way in each use; null where one has none. @param turned whether the second is the one */
function bestThrough(
  asked: ArrangeCase,
  [a, b]: readonly [number, number],
  uses: readonly number[],
  way: ContrastWay,
  turned: boolean,
): Through | null {
  const wants = wantsOf(asked, () => 1);
  const [isOne, isOther] = WAY_IDEAS[way];
  const [ofA, ofB] = turned ? [isOther, isOne] : [isOne, isOther];
  const [playerA, playerB] = [asked.players[a]!, asked.players[b]!];
  const optionsOf = (who: number, is: (idea: Idea) => boolean) =>
    cellsOf(asked, asked.players[who]!).filter((cell) => {
      const idea = plays(cell) ? ideaOf(cell.idea) : null;
      return idea !== null && is(idea) && !isBass(idea) && !idea.rare;
    });
  const [all, others] = [optionsOf(a, ofA), optionsOf(b, ofB)];
  let cost = 0;
  const cells: (readonly [ArrangeCell, ArrangeCell])[] = [];
  for (const at of uses) {
    const use = asked.uses[at]!;
    const own = (who: number, cell: ArrangeCell) =>
      weigh(ownValues(asked, "two guitars in contrast", wants[at]!, at, who, cell), {
        ...asked.weights,
        school: 0,
      });
    let best: { readonly pair: readonly [ArrangeCell, ArrangeCell]; readonly cost: number } | null = null;
    for (const one of all) {
      if (!isPossible(one, playerA, use)) continue;
      const alone = own(a, one);
      for (const other of others) {
        if (!isPossible(other, playerB, use) || pairLaws(one, other, playerA, playerB).length > 0) continue;
        const together =
          alone + own(b, other) + weigh(pairValues(one, other, playerA, playerB), asked.weights);
        if (!best || together < best.cost) best = { pair: [one, other], cost: together };
      }
    }
    if (!best) return null;
    cost += best.cost * use.bars;
    const light = Math.max(1, Math.min(4, use.energy));
    cells.push([
      { ...best.pair[0], light },
      { ...best.pair[1], light: Math.max(1, light - 1) },
    ]);
  }
  return { cells, cost };
}
