import type { OutlineLine } from "../read/outline";

/** Whether two lines hold the same words and the same chords at the same places for as long. */
export const sameLine = (a: OutlineLine, b: OutlineLine): boolean =>
  a.text === b.text && sameChords(a, b) && samePlaces(a, b);

/** Whether two lines hold the same chords for as long. */
export const sameChords = (a: OutlineLine, b: OutlineLine): boolean =>
  sameTimes(a, b) && a.chords.every(({ chord }, index) => chord.symbol === b.chords[index]!.chord.symbol);

/** Whether two lines hold as many chords, each for as long. */
export const sameTimes = (a: OutlineLine, b: OutlineLine): boolean =>
  a.chords.length === b.chords.length &&
  a.chords.every(({ chord }, index) => chord.ticks === b.chords[index]!.chord.ticks);

/** Whether chords stand at the same signs of the text. */
export const samePlaces = (a: OutlineLine, b: OutlineLine): boolean =>
  a.chords.every(({ at }, index) => at === b.chords[index]!.at);
