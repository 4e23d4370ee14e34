/** Taps farther apart than this begin anew, ms. Ours, no source. */
const PAUSE_MS = 2500;
/** Two taps may be a slip: a tempo is heard from the third on, and from the last eight at most. */
const LEAST_TAPS = 3;
const MOST_TAPS = 8;

/** One more tap: those that still count, it the last. @param taps their times, ms, in order */
export const withTap = (taps: readonly number[], now: number): number[] =>
  now - (taps.at(-1) ?? 0) < PAUSE_MS ? [...taps.slice(1 - MOST_TAPS), now] : [now];

/**
 * The tempo of taps, beats a minute; null while there are too few.
 * @example bpmOfTaps([0, 500, 1000]) // => 120
 */
export const bpmOfTaps = (taps: readonly number[]): number | null =>
  taps.length < LEAST_TAPS ? null : (60_000 * (taps.length - 1)) / (taps.at(-1)! - taps[0]!);
