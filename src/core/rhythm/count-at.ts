import { modulo, type Ticks } from "../../base";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "./meter";

/** What is said at parts of a beat, in twelfths; in a beat of three eighths each eighth has its number. */
const BETWEEN: Readonly<Record<number, string>> = { 3: "e", 4: "&", 6: "&", 8: "a", 9: "a" };
const TWELFTHS = 12;

/**
 * What is counted aloud at a place of a bar: the beat, "&" half-way, "e" and "a" at its quarters, "&" and "a" at its thirds;
 * "" at a place that has no usual name. In 6/8, 9/8 and 12/8 eighths are counted through (common practice, no source).
 * @param tick from the downbeat of any bar
 * @example countAt(1440, { beats: 4, unit: 4 }) // => "&", half-way through the second beat
 */
export function countAt(tick: Ticks, meter: Meter): string {
  const isCounted = beatUnitOf(meter).endsWith(".");
  const beat = ticksOfBeatUnit(isCounted ? "1/8" : beatUnitOf(meter))!;
  const inBar = modulo(tick, ticksOfBar(meter));
  const part = ((inBar % beat) * TWELFTHS) / beat;
  if (part === 0) return String(Math.floor(inBar / beat) + 1);
  return isCounted ? (part === TWELFTHS / 2 ? "&" : "") : (BETWEEN[part] ?? "");
}
