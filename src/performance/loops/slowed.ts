import type { PlannedLoops } from "./looper";

/** Slowest and quickest pace of a run, of 1; a clean round is followed by one so much quicker. Ours, no source. */
export const SLOWEST_PACE = 0.5;
const PACE_STEP = 0.05;

/**
 * A plan at another pace: everything as it is, in a slower tempo.
 * @param pace of the song's tempo, 1 being its own
 */
export const slowed = <Planned extends PlannedLoops>(planned: Planned, pace: number): Planned =>
  pace === 1 || !planned.song.asked
    ? planned
    : {
        ...planned,
        song: { ...planned.song, asked: { ...planned.song.asked, tempo: planned.song.asked.tempo * pace } },
      };

/**
 * The pace of the next round of a circled place: quicker after a clean one, slower after two that were not.
 * @param unclean rounds in a row that were not clean, this one among them
 * @example nextPace(0.7, 0) // => 0.75
 */
export function nextPace(pace: number, unclean: number): number {
  const next = unclean === 0 ? pace + PACE_STEP : unclean >= 2 ? pace - PACE_STEP : pace;
  return Math.round(Math.max(SLOWEST_PACE, Math.min(1, next)) * 100) / 100;
}
