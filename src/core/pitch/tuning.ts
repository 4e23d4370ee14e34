import { fail, type Midi, modulo, ok, type Result, type Semitones } from "../../base";
import { preferAccidentals } from "./accidentals";
import { formatNoteName, type NoteName, nameOfPitchClass } from "./note-name";
import { formatPitch, parsePitch } from "./pitch";

/** Open strings as MIDI numbers, from the string nearest the player's face. */
export type Tuning = readonly Midi[];

export type TuningProblem =
  | { readonly code: "string-count"; readonly count: number }
  | { readonly code: "not-a-pitch"; readonly text: string; readonly string: number };

export const FEWEST_STRINGS = 3;
export const MOST_STRINGS = 8;

/** The usual tuning for each number of strings (common practice, no source). */
export const STANDARD_TUNINGS: Readonly<Record<number, readonly string[]>> = Object.freeze({
  4: Object.freeze(["E1", "A1", "D2", "G2"]),
  5: Object.freeze(["B0", "E1", "A1", "D2", "G2"]),
  6: Object.freeze(["E2", "A2", "D3", "G3", "B3", "E4"]),
  7: Object.freeze(["B1", "E2", "A2", "D3", "G3", "B3", "E4"]),
  8: Object.freeze(["F#1", "B1", "E2", "A2", "D3", "G3", "B3", "E4"]),
});

export const GUITAR_TUNING = STANDARD_TUNINGS[6]!;
export const BASS_TUNING = STANDARD_TUNINGS[4]!;

/** Reads 3 to 8 pitches. @example parseTuning(["E1", "A1", "D2", "G2"]) // => { ok: true, value: [28, 33, 38, 43] } */
export function parseTuning(texts: readonly string[]): Result<Tuning, TuningProblem> {
  if (texts.length < FEWEST_STRINGS || texts.length > MOST_STRINGS) {
    return fail({ code: "string-count", count: texts.length });
  }
  const strings: Midi[] = [];
  for (const [string, text] of texts.entries()) {
    const pitch = parsePitch(text);
    if (!pitch.ok) return fail({ code: "not-a-pitch", text, string });
    strings.push(pitch.value);
  }
  return ok(strings);
}

/** The note of a string; between the white keys a flat, as tuned-down strings are called. */
const stringNote = (midi: Midi): NoteName => preferAccidentals(nameOfPitchClass(modulo(midi, 12)), "flats");

/** Pitches of strings, spelled by one rule: E♭ A♭ D♭ G♭, never G♯ beside E♭. */
export const formatTuning = (tuning: Tuning): string[] =>
  tuning.map((midi) => formatPitch(midi, stringNote(midi)));

/**
 * Semitones by which a tuning lies evenly above (or, negative, below) the standard one of as many
 * strings; 0 when the strings are not moved alike, or no standard is known.
 * @example tuningShift([39, 44, 49, 54, 58, 63]) // => -1
 */
export function tuningShift(tuning: Tuning): Semitones {
  const standard = STANDARD_TUNINGS[tuning.length];
  const parsed = standard && parseTuning(standard);
  if (!parsed?.ok) return 0;
  const shift = tuning[0]! - parsed.value[0]!;
  return tuning.every((midi, string) => midi - parsed.value[string]! === shift) ? shift : 0;
}

/**
 * What people call the strings: by their note, and two alike as the low and the high one. Strings that are evenly tuned down or
 * up keep their old names, and the low string of Drop D is a D (common practice, no source).
 * @param write how a note is written; in letters when left out
 * @example stringNames of a standard guitar, or of one a semitone down // => ["low E", "A", "D", "G", "B", "high E"]
 */
export function stringNames(played: Tuning, write: (name: NoteName) => string = formatNoteName): string[] {
  const shift = tuningShift(played);
  const tuning = played.map((midi) => midi - shift);
  const letters = tuning.map((midi) => write(stringNote(midi)));
  return letters.map((letter, string) => {
    const alike = letters.flatMap((other, at) => (other === letter ? [at] : []));
    if (alike.length === 1) return letter;
    if (alike.length > 2) return formatPitch(tuning[string]!);
    const other = alike.find((at) => at !== string)!;
    const lower = tuning[string]! === tuning[other]! ? string < other : tuning[string]! < tuning[other]!;
    return `${lower ? "low" : "high"} ${letter}`;
  });
}
