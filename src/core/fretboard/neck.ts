import type { Millimetres } from "../../base";

/** Usual scale lengths in mm (common practice, no source). */
export const GUITAR_SCALE_MM: Millimetres = 648;
export const BASS_SCALE_MM: Millimetres = 864;

/** The last fret any neck here is taken to have, counted from the nut or from the capo. */
export const LAST_FRET = 24;
export const HIGHEST_CAPO = 12;

/**
 * Millimetres from the nut to a fret: L·(1 − 2^(−n/12)), equal temperament.
 * @example fretMm(12, 648) // => 324
 */
export const fretMm = (fret: number, scaleMm: Millimetres): Millimetres => scaleMm * (1 - 2 ** (-fret / 12));

/** Millimetres along the neck between two frets that count from a capo. */
export const betweenFretsMm = (a: number, b: number, capo: number, scaleMm: Millimetres): Millimetres =>
  Math.abs(fretMm(capo + b, scaleMm) - fretMm(capo + a, scaleMm));
