import { fail, ok, type Result, type Ticks } from "../../base";

/** Ticks in a quarter note. */
export const TICKS_PER_QUARTER: Ticks = 960;

export const METER_UNITS = [1, 2, 4, 8, 16, 32] as const;
export const MOST_BEATS_IN_A_BAR = 32;

/** A metre as it is written: beats over a note value. */
export type Meter = { readonly beats: number; readonly unit: number };

/** What is taken where nothing is said. */
export const COMMON_TIME: Meter = Object.freeze({ beats: 4, unit: 4 });

/** A note value as text: "1/4", "1/8", "1/4." (dotted). */
export type BeatUnit = string;

export type MeterProblem =
  | { readonly code: "meter-beats"; readonly beats: number }
  | { readonly code: "meter-unit"; readonly unit: number };

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

export function checkMeter(meter: Meter): Result<Meter, MeterProblem> {
  const whole = Number.isInteger(meter.beats) && meter.beats >= 1 && meter.beats <= MOST_BEATS_IN_A_BAR;
  if (!whole) return fail({ code: "meter-beats", beats: meter.beats });
  if (!(METER_UNITS as readonly number[]).includes(meter.unit))
    return fail({ code: "meter-unit", unit: meter.unit });
  return ok(meter);
}

/** Reads "4/4". @returns null when the text has not that form; the values are not judged */
export function readMeter(text: string): Meter | null {
  const match = /^\s*(\d{1,3})\s*\/\s*(\d{1,3})\s*$/u.exec(text);
  return match ? { beats: Number(match[1]), unit: Number(match[2]) } : null;
}

export const formatMeter = (meter: Meter): string => `${meter.beats}/${meter.unit}`;
