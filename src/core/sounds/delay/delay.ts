import { type BeatUnit, wholeNotesOf } from "../../rhythm";

/** Note values a delay or a tremolo is usually set to, the longest first. */
export const DELAY_NOTES = Object.freeze([
  "1/1",
  "1/2.",
  "1/2",
  "1/4.",
  "1/2t",
  "1/4",
  "1/8.",
  "1/4t",
  "1/8",
  "1/16.",
  "1/8t",
  "1/16",
] as const);

function wholeNotes(text: string): number {
  const found = wholeNotesOf(text);
  if (found === null) throw new Error(`Expected a note value, got ${JSON.stringify(text)}.`);
  return found;
}

/**
 * How long a note value lasts, ms; not rounded.
 * @param bpm beats a minute of `beatUnit`
 * @example delayMs(120, "1/4", "1/8.") // => 375
 */
export const delayMs = (bpm: number, beatUnit: BeatUnit, note: string): number =>
  (60_000 * wholeNotes(note)) / (bpm * wholeNotes(beatUnit));

/** The tempo at which a note value lasts so long. @example tempoOfDelay(375, "1/4", "1/8.") // => 120 */
export const tempoOfDelay = (ms: number, beatUnit: BeatUnit, note: string): number =>
  (60_000 * wholeNotes(note)) / (ms * wholeNotes(beatUnit));

/** The longest usual note value that a box of so many ms can still give at a tempo; null where none is short enough. */
export const longestNote = (bpm: number, beatUnit: BeatUnit, mostMs: number): string | null =>
  DELAY_NOTES.find((note) => delayMs(bpm, beatUnit, note) <= mostMs + 1e-6) ?? null;

/** A gap between taps longer than this begins a new count, ms. Ours, no source. */
const TAP_PAUSE_MS = 2500;

/**
 * The time between taps, ms: the mean of the gaps since the last pause, of the last eight at most.
 * @param taps their times, ms, in order
 * @returns null before the second tap
 * @example tappedMs([0, 500, 1000]) // => 500
 */
export function tappedMs(taps: readonly number[]): number | null {
  const gaps: number[] = [];
  for (let at = taps.length - 1; at > 0 && gaps.length < 8; at--) {
    const gap = taps[at]! - taps[at - 1]!;
    if (gap > TAP_PAUSE_MS) break;
    gaps.push(gap);
  }
  return gaps.length === 0 ? null : gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
}
