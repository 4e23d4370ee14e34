import type { Naming } from "../../chord";
import type { Key } from "../../pitch";
import { type ChordToken, type Reading, readChordLine, readInline, readingOf } from "./chord-line";
import type { SheetText } from "./sheet-text";

/** What a sheet's lines hold when they are read by one custom. */
type Count = { readonly lines: number; readonly chords: number; readonly tokens: readonly ChordToken[] };

/**
 * How the chords of a whole sheet are written. No single word decides: another custom than letters is taken only
 * when it reads more of the sheet than letters do.
 * @param letters a reading by letters, which may have read some of the lines already
 */
export function findNaming(lines: readonly SheetText[], key: Key | null, letters: Reading): Reading {
  const readings = new Map<Naming, Reading>();
  const by = (naming: Naming) => {
    const sought = SOUGHT[naming];
    const reading = naming === "letters" ? letters : readingOf(naming, key, letters.onStep);
    readings.set(naming, reading);
    return sought && !isThere(lines, sought) ? NONE : countBy(lines, reading);
  };
  const plain = by("letters");
  const german = by("german");
  const syllables = by("syllables");
  const degrees = key === null ? null : by("degrees");
  const counts: [Naming, number][] = [
    ["letters", plain.chords],
    ["german", isGerman(german, plain) ? german.chords : 0],
    ["syllables", prevails(syllables, plain) ? syllables.chords : 0],
    ["degrees", degrees && prevails(degrees, plain) ? degrees.chords : 0],
  ];
  const [naming] = counts.reduce((best, one) => (one[1] > best[1] ? one : best));
  return readings.get(naming)!;
}

/** What a custom cannot do without, where it is looked for at all: a quick look that spares most sheets a closer one. */
const SOUGHT: Readonly<Record<Naming, RegExp | null>> = Object.freeze({
  letters: null,
  german: /(?:^|[\s[(/|-])(?:[Hh](?!\p{L}{2})|[A-Ga-g](?:is|es)|[AaEe]s)/u,
  syllables:
    /(?:^|[\s[(|-])(?:D[Oo]|U[Tt]|R[EeÉé]|M[Ii]|F[AaÁá]|S[Oo][Ll]|L[AaÁá]|S[IiÍí])(?=$|[\s\])/|#b♯♭\d°øm+,-]|dim|aug|add|sus)/u,
  degrees: /(?:^|[\s[(|-])[#♯b♭]?[1-7]/u,
});
const NONE: Count = Object.freeze({ lines: 0, chords: 0, tokens: [] });

const isThere = (lines: readonly SheetText[], sought: RegExp): boolean =>
  lines.some((line) => sought.test(line.text));

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

/** A chord only the German custom writes: H, or a name such as Fis, Es and As. */
const GERMAN_ONLY = /(?:^|\/)(?:[Hh]|[A-Ga-g]is|[A-Ga-g]es|[AaEe]s(?!us))(?!\p{Ll}{2})/u;

/** Two such chords at least, in lines of several chords: one may be a slip, and is kept with an offer. */
function isGerman(german: Count, letters: Count): boolean {
  const own = german.tokens.filter((token) => GERMAN_ONLY.test(token.written ?? token.text));
  return own.length >= 2 && german.chords > letters.chords;
}
