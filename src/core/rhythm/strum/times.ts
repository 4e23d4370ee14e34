import type { Ticks } from "../../../base";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "../meter";
import { isOnset, type Pattern } from "./pattern";

const ticksOfBeat = (meter: Meter): Ticks => ticksOfBeatUnit(beatUnitOf(meter))!;

/** How long a pattern is before it comes round again. */
export const ticksOfPattern = (pattern: Pattern): Ticks =>
  (pattern.strokes.length / pattern.subdivision) * ticksOfBeat(pattern.meter);

/** How many bars it fills; half a bar is 0.5. */
export const barsOfPattern = (pattern: Pattern): number =>
  ticksOfPattern(pattern) / ticksOfBar(pattern.meter);

/** Where each stroke stands, in beats from the start of the pattern, swung as it says. */
export function strokeBeats({
  subdivision,
  swing,
  strokes,
}: Pick<Pattern, "subdivision" | "swing" | "strokes">): readonly number[] {
  const pairs = subdivision / 2;
  return strokes.map((_, at) => {
    const [whole, part] = [Math.floor(at / subdivision), at % subdivision];
    const share =
      subdivision === 3 ? part / 3 : (Math.floor(part / 2) + (part % 2 === 1 ? swing : 0)) / pairs;
    return whole + share;
  });
}

/** The same in ticks. */
export function strokeTicks(pattern: Pattern): readonly Ticks[] {
  const beat = ticksOfBeat(pattern.meter);
  return strokeBeats(pattern).map((beats) => Math.round(beats * beat));
}

/** Where something begins to sound; nowhere in a free pattern, of which no stroke is said. */
export const onsetsOf = (pattern: Pattern): readonly Ticks[] => {
  if (pattern.free) return [];
  const ticks = strokeTicks(pattern);
  return ticks.filter((_, at) => isOnset(pattern.strokes[at]!));
};
