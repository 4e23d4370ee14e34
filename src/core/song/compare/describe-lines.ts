import { alignLists } from "../../../document";
import { beatsOfTicks, countBeats } from "../../rhythm";
import { sameLine } from "../edit/same-lines";
import type { OutlineLine } from "../read/outline";
import { asWritten, type NameOf } from "./side";

const NUMBERS = [
  "no",
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
  "eleven",
  "twelve",
];
const inWords = (count: number): string => NUMBERS[count] ?? String(count);
const chordsInWords = (count: number, how: string): string =>
  `${inWords(count)} ${how} ${count === 1 ? "chord" : "chords"}`;

/**
 * What the second of two lines has otherwise, in words.
 * @example "two more chords, Am for C"
 */
export function describeLines(
  a: OutlineLine,
  b: OutlineLine,
  beatUnit: string,
  nameOf: NameOf = asWritten,
): string {
  const found = [...describeChords(a, b, beatUnit, nameOf)];
  if (a.text !== b.text) found.push("other words");
  else if (found.length === 0 && !sameLine(a, b)) found.push("chords at other syllables");
  return found.join(", ");
}

/** What the second of two lines has other chords, or chords for longer, in words. */
export function describeChords(a: OutlineLine, b: OutlineLine, beatUnit: string, nameOf: NameOf): string[] {
  const pairs = alignLists(
    a.chords,
    b.chords,
    (one, two) => (one.chord.symbol === two.chord.symbol ? 0 : 1.5),
    1,
  );
  const more = pairs.filter((pair) => !pair.a).length;
  const fewer = pairs.filter((pair) => !pair.b).length;
  const others = pairs.flatMap((pair) =>
    pair.a && pair.b && pair.a.chord.symbol !== pair.b.chord.symbol
      ? [`${nameOf(pair.b.chord.symbol)} for ${nameOf(pair.a.chord.symbol)}`]
      : [],
  );
  const longer = pairs.flatMap((pair) =>
    pair.a &&
    pair.b &&
    pair.a.chord.symbol === pair.b.chord.symbol &&
    pair.a.chord.ticks !== pair.b.chord.ticks
      ? [
          `${nameOf(pair.b.chord.symbol)} ${countBeats(beatsOfTicks(pair.b.chord.ticks, beatUnit))}, not ${countBeats(beatsOfTicks(pair.a.chord.ticks, beatUnit))}`,
        ]
      : [],
  );
  const counts = [
    ...(more > 0 ? [chordsInWords(more, "more")] : []),
    ...(fewer > 0 ? [chordsInWords(fewer, "fewer")] : []),
  ];
  return [...counts, ...others.slice(0, 4), ...longer.slice(0, 3)];
}
