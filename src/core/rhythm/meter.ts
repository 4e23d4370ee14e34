import type { Ticks } from "../../base";

/** Ticks in a quarter note. */
export const TICKS_PER_QUARTER: Ticks = 960;

/** A metre as it is written: beats over a note value. */
export type Meter = { readonly beats: number; readonly unit: number };

/** What is taken where nothing is said. */
export const COMMON_TIME: Meter = Object.freeze({ beats: 4, unit: 4 });

/** A note value as text: "1/4", "1/8", "1/4." (dotted). */
export type BeatUnit = string;

const BEAT_UNIT = /^1\/(1|2|4|8|16|32)(\.?)$/u;

/** Ticks of a note value, or null when the text names none. @example ticksOfBeatUnit("1/4.") // => 1440 */
export function ticksOfBeatUnit(text: BeatUnit): Ticks | null {
  const match = BEAT_UNIT.exec(text);
  if (!match) return null;
  const plain = (4 * TICKS_PER_QUARTER) / Number(match[1]);
  return match[2] ? plain * 1.5 : plain;
}

/** The metre's own beat: a dotted quarter in 6/8, 9/8 and 12/8, else the written unit. */
export const beatUnitOf = (meter: Meter): BeatUnit =>
  meter.unit === 8 && [6, 9, 12].includes(meter.beats) ? "1/4." : `1/${meter.unit}`;

/** @example ticksOfBar({ beats: 6, unit: 8 }) // => 2880 */
export const ticksOfBar = (meter: Meter): Ticks => (meter.beats * 4 * TICKS_PER_QUARTER) / meter.unit;

/** How many of a beat unit fill a bar. @example beatsOfBar({ beats: 6, unit: 8 }) // => 2 */
export const beatsOfBar = (meter: Meter, beatUnit: BeatUnit = beatUnitOf(meter)): number =>
  ticksOfBar(meter) / (ticksOfBeatUnit(beatUnit) ?? TICKS_PER_QUARTER);
