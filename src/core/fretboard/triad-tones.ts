import { type SoundingChord, type Tone, toneSemitones } from "../chord";

/** The tones that carry a chord: its root, its third (or what stands for it: sus), its fifth. */
export const TRIAD_TONES = ["root", "third", "fifth"] as const;
export type TriadTone = (typeof TRIAD_TONES)[number];

const DEGREES: Readonly<Record<TriadTone, readonly number[]>> = Object.freeze({
  root: [1],
  third: [2, 3, 4],
  fifth: [5],
});

/** What a chord has of one of them: a sus2 and sus4 chord has two thirds. */
export const tonesOf = ({ tones }: SoundingChord, tone: TriadTone): readonly Tone[] =>
  tones.filter(({ degree }) => DEGREES[tone].includes(degree));

/** Which of them lies so many semitones over the root; null where none does. */
export const triadToneAt = (chord: SoundingChord, above: number): TriadTone | null =>
  TRIAD_TONES.find((tone) => tonesOf(chord, tone).some((one) => toneSemitones(one) === above)) ?? null;
