import { barOf, type Place } from "./place";
import type { LivePassage } from "./score";

/** Something that happens at a place of a passage. */
export type Placed = { readonly passage: string; readonly tick: number };

/** Cues rise this many bars before they come. */
export const BARS_AHEAD = 2;

/**
 * What comes within the next bars, nearest first, with how many bar lines lie before it: 0 is in this bar.
 * @example ahead(cues, passages, place) // => [{ one: cue, bars: 1, ms: 2400 }]
 */
export function ahead<One extends Placed>(
  all: readonly One[],
  passages: readonly LivePassage[],
  place: Place,
  stretch = 1,
  bars = BARS_AHEAD,
): { readonly one: One; readonly bars: number; readonly ms: number }[] {
  const here = passages[place.index];
  if (!here || place.phase === "ended") return [];
  const next = place.next === null ? undefined : passages[place.next];
  const msOf = (passage: LivePassage, ticks: number) =>
    (ticks / passage.beat) * (60_000 / passage.bpm) * stretch;
  const left = msOf(here, place.leave - place.tick);
  const found = all.flatMap((one) => {
    // What lies past the place where everybody leaves early does not come. A passage that comes again is both here and next: what is over here comes again there.
    const inHere =
      one.passage === here.id && one.tick >= place.tick - here.beat / 2 && one.tick < place.leave
        ? [{ one, bars: barOf(here, one.tick).bar - place.bar, ms: msOf(here, one.tick - place.tick) }]
        : [];
    const inNext =
      next && one.passage === next.id
        ? [
            {
              one,
              bars: place.barsLeft + barOf(next, one.tick).bar - next.firstBar,
              ms: left + msOf(next, one.tick),
            },
          ]
        : [];
    return [...inHere, ...inNext];
  });
  return found.filter((one) => one.bars <= bars).sort((a, b) => a.ms - b.ms);
}
