import {
  beatsOfBar,
  byTurns,
  downDownUp,
  EVEN,
  isCompound,
  type Meter,
  type Pattern,
  type Stroke,
  ticksOfBar,
} from "../rhythm";
import { gridOnsets, type Technique } from "../song/read";

/**
 * The strum a way of playing usually is, where nobody has written one: its places in the bar, down where the hand goes down.
 * Null for what is not struck over the strings (picking, lines, pads).
 */
export function techniquePattern(technique: Technique, meter: Meter): Pattern | null {
  if (!technique.sweeps) return null;
  const subdivision = isCompound(meter) ? 3 : 2;
  const goesDown = subdivision === 3 ? downDownUp : byTurns;
  const places = beatsOfBar(meter) * subdivision;
  const struck = new Set(
    gridOnsets(technique.grid, meter).map((tick) => Math.round((tick / ticksOfBar(meter)) * places)),
  );
  const strokes = Array.from({ length: places }, (_, at): Stroke => {
    if (!struck.has(at)) return { kind: "ring" };
    return { kind: goesDown(at) ? "down" : "up", weight: 2 };
  });
  return { meter, subdivision, swing: EVEN, strokes };
}
