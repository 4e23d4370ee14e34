import { type Tempo, tempoMs } from "../tempo";
import { isOnset, type Pattern } from "./pattern";
import { strokeTicks, ticksOfPattern } from "./times";

/**
 * The stroke that was struck last at a time while a pattern goes round and round, by its place in it; null before the first.
 * @param ms from the beginning of the first round
 * @example strokeAt(eighths, { bpm: 60, beatUnit: "1/4" }, 1600) // => 3
 */
export function strokeAt(pattern: Pattern, tempo: Tempo, ms: number): number | null {
  const round = tempoMs(ticksOfPattern(pattern), tempo);
  if (ms < 0 || round <= 0) return null;
  const within = ms % round;
  const times = strokeTicks(pattern).map((tick) => tempoMs(tick, tempo));
  const isStruck = (at: number) => isOnset(pattern.strokes[at]!);
  const here = times.findLastIndex((time, at) => time <= within && isStruck(at));
  if (here >= 0) return here;
  // Before the first stroke of a round the last of the one before still sounds.
  const last = ms >= round ? pattern.strokes.findLastIndex(isOnset) : -1;
  return last < 0 ? null : last;
}
