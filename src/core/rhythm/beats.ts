import type { Ticks } from "../../base";
import { ticksOfBeatUnit } from "./meter";

/** How far, in beats, a number may lie from a tick before it is refused. */
export const BEAT_TOLERANCE = 0.001;

/**
 * Ticks of a number of beats, or null when it lies more than {@link BEAT_TOLERANCE} beat off a tick.
 * @example ticksOfBeats(1.5, "1/4") // => 1440
 */
export function ticksOfBeats(beats: number, beatUnit: string): Ticks | null {
  const unit = ticksOfBeatUnit(beatUnit);
  if (unit === null || !Number.isFinite(beats)) return null;
  const ticks = Math.round(beats * unit);
  return Math.abs(ticks / unit - beats) <= BEAT_TOLERANCE ? ticks : null;
}

/** @example beatsOfTicks(1440, "1/4") // => 1.5 */
export const beatsOfTicks = (ticks: Ticks, beatUnit: string): number =>
  ticks / (ticksOfBeatUnit(beatUnit) ?? 960);

/** Beats for people: at most three decimals. @example formatBeats(1.5) // => "1.5" */
export const formatBeats = (beats: number): string => String(Math.round(beats * 1000) / 1000);

/** Bars for people: at most two decimals. @example countBars(1) // => "1 bar" */
export const countBars = (bars: number): string =>
  `${Math.round(bars * 100) / 100} ${bars === 1 ? "bar" : "bars"}`;

const PARTS_OF_A_BEAT: Readonly<Record<number, string>> = Object.freeze({
  0.25: "a quarter of a beat",
  0.5: "half a beat",
  0.75: "three quarters of a beat",
});

/** "1 beat", "2.5 beats", "half a beat". */
export const countBeats = (beats: number): string =>
  PARTS_OF_A_BEAT[beats] ?? `${formatBeats(beats)} ${beats === 1 ? "beat" : "beats"}`;
