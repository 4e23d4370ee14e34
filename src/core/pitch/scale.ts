import { modulo } from "../../base";
import type { Key } from "./key";
import { type NoteName, pitchClassOf } from "./note-name";

/**
 * Scales by their steps on the line of fifths from the tonic, in rising order of pitch, so that a scale is spelled
 * as its own key would be. Common practice, no source.
 */
const FIFTHS = Object.freeze({
  major: [0, 2, 4, -1, 1, 3, 5],
  minor: [0, 2, -3, -1, 1, -4, -2],
  "harmonic minor": [0, 2, -3, -1, 1, -4, 5],
  "major pentatonic": [0, 2, 4, 1, 3],
  "minor pentatonic": [0, -3, -1, 1, -2],
  blues: [0, -3, -1, -6, 1, -2],
  dorian: [0, 2, -3, -1, 1, 3, -2],
  phrygian: [0, -5, -3, -1, 1, -4, -2],
  lydian: [0, 2, 4, 6, 1, 3, 5],
  mixolydian: [0, 2, 4, -1, 1, 3, -2],
  locrian: [0, -5, -3, -1, -6, -4, -2],
} as const satisfies Record<string, readonly number[]>);

export type ScaleName = keyof typeof FIFTHS;
export const SCALE_NAMES = Object.freeze(Object.keys(FIFTHS) as ScaleName[]);

/** A note of a scale: its spelling, and what degree it is ("b3"). */
export type ScaleNote = { readonly name: NoteName; readonly degree: string };

const DEGREE_OF_FIFTHS: Readonly<Record<number, string>> = Object.freeze({
  "-6": "b5",
  "-5": "b2",
  "-4": "b6",
  "-3": "b3",
  "-2": "b7",
  "-1": "4",
  0: "1",
  1: "5",
  2: "2",
  3: "6",
  4: "3",
  5: "7",
  6: "#4",
});

/**
 * The notes of a scale, rising from its tonic.
 * @example scaleNotes(0, "blues").map((note) => note.degree) // => ["1", "b3", "4", "b5", "5", "b7"]
 */
export const scaleNotes = (tonic: NoteName, scale: ScaleName): ScaleNote[] =>
  FIFTHS[scale].map((fifths) => ({ name: tonic + fifths, degree: DEGREE_OF_FIFTHS[fifths]! }));

/** The scale of a key's own mode. */
export const scaleOfKey = (key: Key): ScaleName => (key.mode === "minor" ? "minor" : "major");

/**
 * Moves a pitch by degrees of a scale. A pitch between two degrees moves with the lower one, as far above it as before.
 * @param by degrees up, or, negative, down: 2 is a third, 5 a sixth
 * @example moveByDegrees(62, -2, [0, 2, 4, 5, 7, 9, 11]) // D4 down a third in C => 59
 */
export function moveByDegrees(midi: number, by: number, classes: readonly number[]): number {
  const sorted = [...classes].map((one) => modulo(one, 12)).sort((a, b) => a - b);
  const pitchClass = modulo(midi, 12);
  let at = sorted.findLastIndex((one) => one <= pitchClass);
  let octave = Math.floor(midi / 12);
  if (at < 0) {
    at = sorted.length - 1;
    octave -= 1;
  }
  const above = midi - (octave * 12 + sorted[at]!);
  const target = at + by;
  return (octave + Math.floor(target / sorted.length)) * 12 + sorted[modulo(target, sorted.length)]! + above;
}

export const scaleClasses = (tonic: NoteName, scale: ScaleName): number[] =>
  scaleNotes(tonic, scale).map(({ name }) => pitchClassOf(name));
