import { modulo, type Semitones } from "../../base";
import type { NoteName } from "../pitch";

/** A chord tone by degree and alteration: the flat third is `{ degree: 3, alter: -1 }`. */
export type Tone = { readonly degree: Degree; readonly alter: number };
export type Degree = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 9 | 11 | 13;

const SEMITONES: Readonly<Record<Degree, number>> = Object.freeze({
  1: 0,
  2: 2,
  3: 4,
  4: 5,
  5: 7,
  6: 9,
  7: 11,
  9: 14,
  11: 17,
  13: 21,
});

/** The degree's distance from the root on the line of fifths, unaltered. */
const FIFTHS: Readonly<Record<Degree, number>> = Object.freeze({
  1: 0,
  2: 2,
  3: 4,
  4: -1,
  5: 1,
  6: 3,
  7: 5,
  9: 2,
  11: -1,
  13: 3,
});

/** Semitones above the root within an octave. @example toneSemitones({ degree: 9, alter: -1 }) // => 1 */
export const toneSemitones = (tone: Tone): Semitones => modulo(SEMITONES[tone.degree] + tone.alter, 12);

/** The spelled tone above a root. @example toneName({ degree: 3, alter: -1 }, 0) // E♭ => -3 */
export const toneName = (tone: Tone, root: NoteName): NoteName => root + FIFTHS[tone.degree] + 7 * tone.alter;

/** @example formatTone({ degree: 7, alter: -1 }) // => "b7" */
export const formatTone = (tone: Tone): string =>
  (tone.alter < 0 ? "b".repeat(-tone.alter) : "#".repeat(tone.alter)) + tone.degree;

export const isPerfectFifth = (tone: Tone): boolean => tone.degree === 5 && tone.alter === 0;
