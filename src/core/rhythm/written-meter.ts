import { fail, ok, type Result } from "../../base";
import type { Meter } from "./meter";

export const METER_UNITS = [1, 2, 4, 8, 16, 32] as const;
export const MOST_BEATS_IN_A_BAR = 32;

export type MeterProblem =
  | { readonly code: "meter-beats"; readonly beats: number }
  | { readonly code: "meter-unit"; readonly unit: number };

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
