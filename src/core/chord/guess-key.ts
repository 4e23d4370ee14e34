import { type Key, type NoteName, semitonesUp } from "../pitch";
import type { SoundingChord } from "./chord";
import { toneName } from "./tone";

/** Semitones of the major and the natural minor scale. */
const SCALES = { major: [0, 2, 4, 5, 7, 9, 11], minor: [0, 2, 3, 5, 7, 8, 10] } as const;
const TONICS: readonly NoteName[] = [0, 7, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5];
const MODES = ["major", "minor"] as const;

export type WeighedChord = { readonly chord: SoundingChord; readonly beats: number };

/**
 * The major or minor key whose own chords cover most beats. A tie goes to the key of the last chord,
 * then to that of the first, then to the tonic that sounds longest.
 * @returns the key, or null without chords; it is sure when nothing else fits as well, or when the song begins
 * and ends on its chord
 * @example guessKey of G 4, C 4, D 4, G 4 // => { key: G major, sure: true }
 */
export function guessKey(chords: readonly WeighedChord[]): { key: Key; sure: boolean } | null {
  if (chords.length === 0) return null;
  const ranked = TONICS.flatMap((tonic) => MODES.map((mode) => rank({ tonic, mode }, chords))).sort(
    (a, b) => b.fit - a.fit || b.isLast - a.isLast || b.isFirst - a.isFirst || b.tonicBeats - a.tonicBeats,
  );
  const [best, next] = ranked;
  return { key: best!.key, sure: best!.fit > next!.fit || best!.isLast + best!.isFirst === 2 };
}

/** How well chords fit a key: the share of their beats its own chords cover, and whether its tonic stands first and last (0 to 2). */
export function keyFit(key: Key, chords: readonly WeighedChord[]): { share: number; ends: number } {
  const all = chords.reduce((sum, { beats }) => sum + beats, 0);
  if (chords.length === 0 || all === 0) return { share: 0, ends: 0 };
  const { fit, isFirst, isLast } = rank(key, chords);
  return { share: fit / all, ends: isFirst + isLast };
}

function rank(key: Key, chords: readonly WeighedChord[]) {
  let fit = 0;
  let tonicBeats = 0;
  for (const { chord, beats } of chords) {
    if (isDiatonic(chord, key)) fit += beats;
    if (isTonic(chord, key)) tonicBeats += beats;
  }
  return {
    key,
    fit,
    tonicBeats,
    isLast: Number(isTonic(chords.at(-1)!.chord, key)),
    isFirst: Number(isTonic(chords[0]!.chord, key)),
  };
}

const isTonic = (chord: SoundingChord, key: Key): boolean =>
  semitonesUp(key.tonic, chord.root) === 0 && isMinorChord(chord) === (key.mode === "minor");

/** Whether a chord has a minor third. */
export const isMinorChord = (chord: SoundingChord): boolean =>
  chord.tones.some((tone) => tone.degree === 3 && tone.alter === -1);

/** Root, third and fifth in the scale; in minor the dominant may have its raised third. */
function isDiatonic(chord: SoundingChord, key: Key): boolean {
  const above = semitonesUp(key.tonic, chord.root);
  const scale: readonly number[] = SCALES[key.mode];
  return chord.tones
    .filter((tone) => tone.degree <= 5)
    .every((tone) => {
      const semitones = semitonesUp(key.tonic, toneName(tone, chord.root));
      return scale.includes(semitones) || (key.mode === "minor" && above === 7 && semitones === 11);
    });
}
