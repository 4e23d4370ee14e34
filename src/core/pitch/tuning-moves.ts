import type { Semitones } from "../../base";
import { formatTuning, parseTuning, STANDARD_TUNINGS, stringNames, type Tuning } from "./tuning";

/** Tunings players know by name (common practice, no source). */
export const NAMED_TUNINGS = Object.freeze([
  { name: "Standard", strings: ["E2", "A2", "D3", "G3", "B3", "E4"] },
  { name: "A semitone down", strings: ["Eb2", "Ab2", "Db3", "Gb3", "Bb3", "Eb4"] },
  { name: "A whole tone down", strings: ["D2", "G2", "C3", "F3", "A3", "D4"] },
  { name: "Drop D", strings: ["D2", "A2", "D3", "G3", "B3", "E4"] },
  { name: "Both Es at D", strings: ["D2", "A2", "D3", "G3", "B3", "D4"] },
  { name: "D A D G A D", strings: ["D2", "A2", "D3", "G3", "A3", "D4"] },
  { name: "Open G", strings: ["D2", "G2", "D3", "G3", "B3", "D4"] },
  { name: "Open D", strings: ["D2", "A2", "D3", "F#3", "A3", "D4"] },
  { name: "Open E", strings: ["E2", "B2", "E3", "G#3", "B3", "E4"] },
  { name: "Standard", strings: ["E1", "A1", "D2", "G2"] },
  { name: "Drop D", strings: ["D1", "A1", "D2", "G2"] },
  { name: "A semitone down", strings: ["Eb1", "Ab1", "Db2", "Gb2"] },
  { name: "Standard", strings: ["B0", "E1", "A1", "D2", "G2"] },
  { name: "Standard", strings: ["B1", "E2", "A2", "D3", "G3", "B3", "E4"] },
] as const);

/** What to do with one string. */
export type TuningMove = {
  readonly string: number;
  /** What it is called now. */
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** Semitones to turn it up, or, negative, down. */
  readonly semitones: Semitones;
  /** Whether it goes more than a whole tone above where it is, or above what such a string is made for. */
  readonly mayBreak: boolean;
};

/** More than this above its usual pitch a string may break (common practice, no source). */
const WHOLE_TONE = 2;

/**
 * How each string goes from one tuning to another; null when they have different numbers of strings.
 * @example tuningMoves(standard, lowD)[0] // => { string: 0, name: "low E", from: "E2", to: "D2", semitones: -2, mayBreak: false }
 */
export function tuningMoves(from: Tuning, to: Tuning): TuningMove[] | null {
  if (from.length !== to.length) return null;
  const names = stringNames(from);
  const [now, then] = [formatTuning(from), formatTuning(to)];
  const usual = parseTuning(STANDARD_TUNINGS[from.length] ?? []);
  return from.map((midi, string) => {
    const semitones = to[string]! - midi;
    const aboveUsual = usual.ok ? to[string]! - usual.value[string]! : 0;
    return {
      string,
      name: names[string]!,
      from: now[string]!,
      to: then[string]!,
      semitones,
      mayBreak: semitones > WHOLE_TONE || aboveUsual > WHOLE_TONE,
    };
  });
}

const A4_HZ = 440;
const A4_MIDI = 69;

/** The frequency of a pitch in equal temperament, A4 = 440 Hz (ISO 16:1975). @example hzOf(69) // => 440 */
export const hzOf = (midi: number): number => A4_HZ * 2 ** ((midi - A4_MIDI) / 12);

/**
 * The nearest pitch to a frequency, and how many cents above it lies (below, negative).
 * @example nearestPitch(440) // => { midi: 69, cents: 0 }
 */
export function nearestPitch(hz: number): { readonly midi: number; readonly cents: number } {
  const exact = A4_MIDI + 12 * Math.log2(hz / A4_HZ);
  const midi = Math.round(exact);
  return { midi, cents: Math.round((exact - midi) * 1000) / 10 };
}
