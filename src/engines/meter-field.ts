import { z } from "zod";
import type { Ticks } from "@/base";
import { checkMeter, METER_UNITS, type Meter, MOST_BEATS_IN_A_BAR, ticksOfBeatUnit } from "@/core/rhythm";
import { FieldError } from "./engine";

/** A metre as engines take it. */
export const meterField = z.object(
  {
    beats: z.number({ error: "should be a number of beats" }),
    unit: z.number({ error: "should be a note value such as 4 or 8" }),
  },
  { error: "should be a metre such as { beats: 4, unit: 4 }" },
);

export function readMeterAt(meter: Meter, path: readonly (string | number)[]): Meter {
  const checked = checkMeter(meter);
  if (checked.ok) return checked.value;
  if (checked.problem.code === "meter-beats")
    throw new FieldError([...path, "beats"], `should be a whole number from 1 to ${MOST_BEATS_IN_A_BAR}`);
  throw new FieldError([...path, "unit"], `should be one of ${METER_UNITS.join(", ")}`);
}

/** How long the beat is that a tempo counts. */
export function ticksOfBeatAt(beatUnit: string, path: readonly (string | number)[]): Ticks {
  const ticks = ticksOfBeatUnit(beatUnit);
  if (ticks === null) throw new FieldError(path, 'should be a note value such as "1/4", "1/8" or "1/4."');
  return ticks;
}
