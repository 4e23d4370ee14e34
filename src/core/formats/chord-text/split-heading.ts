import { type ChordToken, type Reading, readChordLine, readingOf } from "./chord-line";
import { beginsKnown, kindOfLabel, readHeading } from "./heading";
import { emptyMeta, readMeta } from "./meta";
import type { SheetText } from "./sheet-text";

/** "Intro: G D", "[Intro] G D" and "Intro  G D"; the last only before chords. */
const PREFIXES = [
  { pattern: /^\s*\[([^[\]]{1,80})\]:?\s+(?=\S)/u, bare: false },
  { pattern: /^\s*([^:|[\]{}]{1,40}):\s+(?=\S)/u, bare: false },
  { pattern: /^\s*(\p{L}[\p{L} -]{2,20}?(?:\s?\d{1,2})?)\s+(?=[A-G|])/u, bare: true },
] as const;

/**
 * Cuts a heading off the line it shares with what follows it. Both parts keep their columns, so that chords still
 * stand over the words of the line below.
 * @returns the line alone where it holds no heading or nothing else
 * @example splitHeading(sheetText("Intro: G D")).map((line) => line.text) // => ["Intro:", "       G D"]
 */
export function splitHeading(line: SheetText, reading: Reading = readingOf()): SheetText[] {
  if (!line.text.includes(":") && !/^\s*\[/u.test(line.text) && !beginsKnown(line.text)) return [line];
  for (const { pattern, bare } of PREFIXES) {
    const match = pattern.exec(line.text);
    if (!match || readHeading(line.text)) continue;
    const label = match[1]!.trim();
    const from = match[0].length;
    const rest = " ".repeat(from) + line.text.slice(from);
    const chords = readChordLine(rest, reading);
    // "Tag: slow" is a field, "Tag: G D" a heading.
    if (countChords(chords) === 0 && readMeta(line.text, emptyMeta()) !== false) continue;
    // "Chorus x2: D A": a label with a repeat stands by itself.
    const bracketed = readHeading(`[${label}]`) !== null;
    const plain = readHeading(label) !== null;
    const alone = !bracketed && plain;
    const known = kindOfLabel(label) !== "other" && (bracketed || plain);
    const splits = bare
      ? known && plain && countChords(chords) >= 2
      : known || (pattern === PREFIXES[0].pattern && countChords(chords) >= 1 && bracketed);
    if (!splits) continue;
    if (/^\s*\([^()]*\)$/u.test(rest) && countChords(chords) === 0)
      return [{ ...line, text: `${label} ${rest.trim()}`, columns: line.columns }];
    return [
      { text: alone ? label : `[${label}]`, columns: line.columns },
      { text: rest, columns: line.columns },
    ];
  }
  return [line];
}

const countChords = (tokens: readonly ChordToken[] | null): number =>
  tokens?.filter((token) => token.kind === "chord").length ?? 0;
