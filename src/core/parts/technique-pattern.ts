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
import type { Instrument } from "../song/schema";
import type { SheetPart } from "./band";

/** Fingers of a picking hand over one bar, from the thumb. */
const PICKING = ["p", "i", "m", "a", "m", "i", "m", "i"] as const;
const PICKING_IN_THREES = ["p", "i", "m", "a", "m", "i"] as const;

/** A line is what its notes are; sung, held and beaten parts have no strokes over strings. */
const HAS_STROKES: ReadonlySet<Instrument> = new Set(["guitar", "bass"]);

/**
 * The strokes a way of playing usually is, where nobody has written them: its places in the bar, down where the hand goes
 * down; picked by fingers from the thumb on, a bass note by the thumb or all down. Null for lines, and for what has no strokes.
 * Ours, common practice, no source.
 */
export function techniquePattern(technique: Technique, meter: Meter): Pattern | null {
  const isLine = technique.roles[0] === "line";
  if (isLine || !technique.instruments.some((one) => HAS_STROKES.has(one))) return null;
  const subdivision = isCompound(meter) ? 3 : 2;
  const places = beatsOfBar(meter) * subdivision;
  const struck = new Set(
    gridOnsets(technique.grid, meter).map((tick) => Math.round((tick / ticksOfBar(meter)) * places)),
  );
  const strokeAt = strokesOf(technique, subdivision);
  const strokes = Array.from(
    { length: places },
    (_, at): Stroke => (struck.has(at) ? strokeAt(at) : { kind: "ring" }),
  );
  return { meter, subdivision, swing: EVEN, strokes };
}

/**
 * The strokes of a part: as they are written, else as its way of playing usually goes; null where it has none, and where a
 * written line is the part.
 */
export function patternOfPart(
  { out, pattern, technique, riff }: Pick<SheetPart, "out" | "pattern" | "technique" | "riff">,
  meter: Meter,
): Pattern | null {
  if (out) return null;
  const isLine = riff !== null && !technique?.sweeps;
  return pattern ?? (isLine || !technique ? null : techniquePattern(technique, meter));
}

/** What the striking hand does at a place of the bar. */
function strokesOf(technique: Technique, subdivision: 2 | 3): (at: number) => Stroke {
  const weight = 2;
  if (technique.sweeps) {
    const goesDown = subdivision === 3 ? downDownUp : byTurns;
    return (at) => ({ kind: goesDown(at) ? "down" : "up", weight });
  }
  if (technique.instruments.includes("bass")) return () => ({ kind: "down", weight });
  if (technique.roles[0] === "bass") return () => ({ kind: "fingers", fingers: ["p"], weight });
  const fingers = subdivision === 3 ? PICKING_IN_THREES : PICKING;
  return (at) => ({ kind: "fingers", fingers: [fingers[at % fingers.length]!], weight });
}
