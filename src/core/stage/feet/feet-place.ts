import type { Ticks } from "../../../base";
import type { Place } from "../place";
import { beatMs, type LivePassage } from "../score";

/** Where the clock is, as feet need to know it. */
export type FeetPlace = {
  readonly passages: readonly LivePassage[];
  /** The passage that is now, how far it is, and where it is left; null before the first note. */
  readonly here: { readonly index: number; readonly tick: Ticks; readonly leave: Ticks } | null;
  /** The passage that comes then; null at the end. */
  readonly next: number | null;
  /** The server's clock, ms, and how much longer than written everything lasts. */
  readonly now: number;
  readonly stretch: number;
  /** Whether the music moves: in a hold loops go round by themselves. */
  readonly moves: boolean;
};

/**
 * Where feet are while the clock stands so.
 * @example feetPlace(passages, place, 1, 1760000000000).here // => { index: 2, tick: 960, leave: 15360 }
 */
export function feetPlace(
  passages: readonly LivePassage[],
  place: Place,
  stretch: number,
  now: number,
): FeetPlace {
  const { phase, index, tick, leave, next } = place;
  const shared = { passages, stretch, now, moves: phase === "playing" };
  return phase === "waiting" || phase === "counting"
    ? { ...shared, here: null, next: index }
    : { ...shared, here: { index, tick, leave }, next };
}

/** How long so many ticks of a passage last, ms. */
export const msOfTicks = (
  passage: LivePassage,
  ticks: Ticks,
  { stretch }: Pick<FeetPlace, "stretch">,
): number => (ticks / passage.beat) * beatMs(passage) * stretch;

/** The bar line by which a press can be made that is told now: the first at least a beat away, at most where the passage is left. */
export function barToMend({ bars, beat }: LivePassage, tick: Ticks, leave: Ticks): Ticks {
  return Math.min(leave, bars.find((start) => start >= tick + beat) ?? leave);
}
