import { parseChord } from "./chord";
import { type Tone, toneSemitones } from "./tone";

/**
 * The qualities a chord is called by, plainest first: one spelling for each set of tones the grammar of
 * symbols can make that people write. Colours and the names of a shape are looked up here.
 */
const SPELLINGS = Object.freeze([
  "",
  "m",
  "5",
  "sus4",
  "sus2",
  "7",
  "m7",
  "maj7",
  "m(maj7)",
  "6",
  "m6",
  "7sus4",
  "7sus2",
  "maj7sus2",
  "maj7sus4",
  "add9",
  "m(add9)",
  "add11",
  "m(add11)",
  "6/9",
  "m6/9",
  "9",
  "m9",
  "maj9",
  "m(maj9)",
  "9sus4",
  "sus4(add9)",
  "6sus4",
  "6sus2",
  "7(11)",
  "m7(11)",
  "7(13)",
  "m7(13)",
  "maj7(13)",
  "dim",
  "dim7",
  "m7b5",
  "aug",
  "7#5",
  "maj7#5",
  "7b5",
  "maj7b5",
  "add#11",
  "maj7(#11)",
  "7(#11)",
  "7(b9)",
  "7(#9)",
  "7#5(#9)",
  "7(b13)",
  "9(#11)",
  "maj9(#11)",
  "11",
  "m11",
  "maj13",
  "13",
  "m13",
] as const);

/** A quality with the tones it has. */
export type PlainQuality = { readonly text: string; readonly tones: readonly Tone[] };

export const soundOf = (semitones: Iterable<number>): string =>
  [...new Set(semitones)].sort((a, b) => a - b).join(" ");

/** Every quality by its plainest spelling, plainest first; no two sound alike. */
export const QUALITIES: readonly PlainQuality[] = Object.freeze(
  SPELLINGS.map((text) => {
    const chord = parseChord(`C${text}`);
    if (!chord.ok || chord.value.kind === "none") throw new Error(`Expected a chord quality, got "${text}".`);
    return Object.freeze({ text, tones: chord.value.tones });
  }),
);

export const QUALITY_OF_SOUND: ReadonlyMap<string, string> = new Map(
  QUALITIES.map(({ text, tones }) => [soundOf(tones.map(toneSemitones)), text]),
);
