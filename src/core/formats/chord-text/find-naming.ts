import type { Naming } from "../../chord";
import type { Key } from "../../pitch";
import { type ChordToken, type Reading, readChordLine, readInline } from "./chord-line";
import type { SheetText } from "./sheet-text";

/** What a sheet's lines hold when they are read by one custom. */
type Count = { readonly lines: number; readonly chords: number; readonly tokens: readonly ChordToken[] };

/**
 * How the chords of a whole sheet are written. No single word decides: another custom than letters is taken only
 * when it reads more of the sheet than letters do.
 */
export function findNaming(lines: readonly SheetText[], key: Key | null): Reading {
  const letters = countBy(lines, { naming: "letters", key });
  const german = countBy(lines, { naming: "german", key });
  const syllables = countBy(lines, { naming: "syllables", key });
  const degrees = key === null ? null : countBy(lines, { naming: "degrees", key });
  const readings: [Naming, number][] = [
    ["letters", letters.chords],
    ["german", isGerman(german, letters) ? german.chords : 0],
    ["syllables", prevails(syllables, letters) ? syllables.chords : 0],
    ["degrees", degrees && prevails(degrees, letters) ? degrees.chords : 0],
  ];
  const [naming] = readings.reduce((best, one) => (one[1] > best[1] ? one : best));
  return { naming, key };
}

/** Three chords at least, and hardly any in letters: those are seldom words. */
const prevails = (count: Count, letters: Count): boolean =>
  count.chords >= 3 && letters.chords * 4 <= count.chords;

function countBy(lines: readonly SheetText[], reading: Reading): Count {
  const found = lines.flatMap((line) => {
    const inline = readInline(line.text, reading)?.chords.filter((chord) => chord.ok);
    const tokens =
      inline?.map(
        (chord): ChordToken => ({ kind: "chord", ...chord, written: textAt(line.text, chord.source) }),
      ) ?? readChordLine(line, reading);
    const chords = tokens?.filter((token) => token.kind === "chord") ?? [];
    return chords.length === 0 ? [] : [chords];
  });
  const tokens = found.flat();
  return { lines: found.length, chords: tokens.length, tokens };
}

const textAt = (line: string, source: number): string => /^\[([^\]]*)\]/u.exec(line.slice(source))?.[1] ?? "";

/**
 * H, or names such as Fis and Es: twice at least, or once where no B stands that would change its meaning. Small
 * letters for minor chords only count beside one of them.
 */
function isGerman(german: Count, letters: Count): boolean {
  const written = german.tokens.map((token) => token.written ?? token.text);
  const plain = written.filter((text) => /(?:^|\/)(?:[Hh]|[A-Ga-g]is|[A-Ga-g]es|[AaEe]s(?!us))/u.test(text));
  const flats = written.filter((text) => /^B/u.test(text));
  const enough = plain.length >= 2 || (plain.length === 1 && flats.length === 0 && letters.chords >= 1);
  return enough && german.chords > letters.chords;
}
