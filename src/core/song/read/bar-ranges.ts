import type { Ticks } from "../../../base";
import type { BarsSaid } from "../schema/bars-said";
import type { Passage } from "./timeline";

/**
 * Ranges of bars of one time through a section, counted from 0, each up to and without its second number. They may begin
 * and end inside a bar: 4.5 is half a bar after the fifth bar's downbeat.
 */
export type BarRanges = readonly (readonly [from: number, to: number])[];

/** The bars of a passage without those of a pickup before the first. */
export const barsIn = ({ bars }: Pick<Passage, "bars">): Passage["bars"] =>
  bars.filter(({ number }) => number > 0);

/** The tick of a place counted in bars; the end of the passage from its last bar on. */
export function tickOfBar(passage: Pick<Passage, "bars" | "tick" | "ticks">, place: number): Ticks {
  const bar = barsIn(passage)[Math.floor(place)];
  return bar ? bar.tick + Math.round((place - Math.floor(place)) * bar.ticks) : passage.tick + passage.ticks;
}

/** A range of bars as time; a pickup goes with the first bar. */
export const ticksOfRange = (
  passage: Pick<Passage, "bars" | "tick" | "ticks">,
  [from, to]: BarRanges[number],
): readonly [from: Ticks, to: Ticks] => [
  from === 0 ? passage.tick : tickOfBar(passage, from),
  tickOfBar(passage, to),
];

/** The place of a tick counted in bars; 0 in a pickup before the first. */
export function barOfTick(passage: Pick<Passage, "bars">, tick: Ticks): number {
  const bars = barsIn(passage);
  const at = bars.findLastIndex((bar) => bar.tick <= tick);
  return at < 0 ? 0 : Math.min(bars.length, at + (tick - bars[at]!.tick) / Math.max(1, bars[at]!.ticks));
}

/**
 * Bars as they were said, in numbers. Of an odd count the second half is the smaller one. A word that is not sung there
 * is passed over: then all bars from the first are meant.
 * @returns in order, joined where they touch
 * @example of 8 bars: [["half", 2]] // => [[4, 8]]; [["last", 2]] // => [[6, 8]]
 */
export function rangesOf(said: BarsSaid, passage: Passage): BarRanges {
  const count = barsIn(passage).length;
  const halfway = Math.ceil(count / 2);
  const ranges = said.map(([how, what]): readonly [number, number] => {
    if (how === "half") return what === 1 ? [0, halfway] : [halfway, count];
    if (how === "first") return [0, Number(what)];
    if (how === "last") return [Math.max(0, count - Number(what)), count];
    if (how === "from") return [barOfWord(passage, String(what)) ?? 0, count];
    return [Number(how), Math.min(count, Number(what))];
  });
  return joined(ranges);
}

/** Where a word is first sung in a passage, counted in bars; null where it is not. */
function barOfWord(passage: Passage, wordId: string): number | null {
  for (const { outline, wordTicks } of passage.lines) {
    const at = outline.words.findIndex(({ word }) => word.id === wordId || word.originId === wordId);
    if (at >= 0) return barOfTick(passage, wordTicks[at]!);
  }
  return null;
}

/** Ranges in order, those that touch joined, empty ones left out. */
export function joined(ranges: BarRanges): BarRanges {
  const sorted = ranges.filter(([from, to]) => to > from).toSorted((a, b) => a[0] - b[0]);
  const found: [number, number][] = [];
  for (const [from, to] of sorted) {
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

/** What two lists of ranges have in common; null is everything. */
export function inBoth(a: BarRanges | null, b: BarRanges | null): BarRanges | null {
  if (a === null || b === null) return a ?? b;
  return joined(
    a.flatMap(([from, to]) => b.map((other) => [Math.max(from, other[0]), Math.min(to, other[1])] as const)),
  );
}
