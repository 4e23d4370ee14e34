import { lineSyllables } from "../../song/read";

/** What it costs, in characters, to stand where a word ends, where one begins that has no syllable, and where another stands. */
const AT_END = 2;
const AT_WORD = 0.5;
const TOGETHER = 6;
/** The same for two that were set at one place: both before the word they stand over. */
const SET_TOGETHER = 1.5;

type Stop = { readonly at: number; readonly cost: number };

/**
 * Moves chords that were set over words by eye to where syllables begin, or words end: all of them together as little as can be,
 * in their order, so that two over one word both keep a place and the next is not pushed on. A word of one syllable is never
 * cut. Chords past the last word stay there.
 * @param places where the chords stand, as indexes of the words, in order
 * @param endsSung whether an "e" at the end of a word is a syllable
 * @example atSyllables("Give way to the count", [3, 7]) // => [5, 9]
 * @example atSyllables("way home", [0, 2, 4]) // => [0, 3, 4]
 */
export function atSyllables(words: string, places: readonly number[], endsSung = false): number[] {
  const inside = places.filter((place) => place < words.length);
  // A chord at the first sign stands where it should, and nothing is counted for it alone.
  if (inside.every((place) => place === 0)) return places.map((place) => Math.min(place, words.length));
  const starts = lineSyllables(words, endsSung);
  // Most are set right by eye: nothing is nearer than where one stands.
  const areRight = inside.every((place, index) => starts.includes(place) && place !== inside[index - 1]);
  const set = areRight ? inside : nearest(stopsOf(words, starts), inside);
  return [...set, ...places.slice(inside.length).map(() => words.length)];
}

/** Where a chord may stand, in order. @param starts where syllables begin */
function stopsOf(words: string, starts: readonly number[]): Stop[] {
  const stops: Stop[] = [];
  let next = 0;
  for (const { index, 0: word } of words.matchAll(/\S+/gu)) {
    const end = index + word.length;
    if (starts[next] !== index) stops.push({ at: index, cost: AT_WORD });
    for (; next < starts.length && starts[next]! < end; next++) stops.push({ at: starts[next]!, cost: 0 });
    stops.push({ at: end, cost: AT_END });
  }
  return stops;
}

/** The cheapest stops for all places, by dynamic programming. */
function nearest(stops: readonly Stop[], places: readonly number[]): number[] {
  const back: number[][] = [];
  let before: number[] = [];
  for (const [index, place] of places.entries()) {
    const together = place === places[index - 1] ? SET_TOGETHER : TOGETHER;
    const from: number[] = [];
    let least = -1;
    before = stops.map(({ at, cost }, stop) => {
      const own = Math.abs(at - place) + cost;
      if (index === 0) return own;
      if (stop > 0 && (least < 0 || before[stop - 1]! < before[least]!)) least = stop - 1;
      const stays = least < 0 || before[stop]! + together < before[least]!;
      from.push(stays ? stop : least);
      return own + (stays ? before[stop]! + together : before[least]!);
    });
    back.push(from);
  }
  let stop = before.indexOf(Math.min(...before));
  return places
    .map((_, index) => {
      const at = stops[stop]!.at;
      stop = back[places.length - 1 - index]![stop] ?? 0;
      return at;
    })
    .reverse();
}

/**
 * Spreads chords over words they were not set over: each at the syllable that is sung when it begins, as far as the line's time
 * has gone. Where there are more chords than syllables the last ones stand past the words.
 * @param ticks how long each chord lasts
 * @example spreadOver("Give way to the count", [4, 4, 4]) // => [0, 9, 12]
 */
export function spreadOver(words: string, ticks: readonly number[], endsSung = false): number[] {
  const starts = lineSyllables(words, endsSung);
  const all = ticks.reduce((sum, one) => sum + one, 0);
  let gone = 0;
  let next = 0;
  return ticks.map((one) => {
    const syllable = Math.max(next, Math.round((starts.length * gone) / all));
    gone += one;
    next = syllable + 1;
    return starts[syllable] ?? words.length;
  });
}
