import { type Tempo, tempoMs } from "../tempo";
import {
  isOnset,
  type Pattern,
  type Stroke,
  strokeTicks,
  ticksOfPattern,
  type Weight,
  weightOf,
} from "./pattern";

/** A short sound that stands for a stroke until strings do: when, how high, how loud, how long. */
export type StrokeClick = {
  readonly ms: number;
  readonly hz: number;
  /** 0 to 1. */
  readonly gain: number;
  readonly lastsMs: number;
};

/** Down strokes are told from up ones by pitch, picked strings by theirs; a dead one is short. Ours, no source. */
const DOWN_HZ = 220;
const UP_HZ = 330;
/** Open strings ring a fifth above what is held. */
const OPEN_RATIO = 1.5;
const DEAD_HZ = 140;
const FINGER_HZ = Object.freeze({ p: 165, i: 247, m: 330, a: 415 });
const ZONE_HZ = Object.freeze({ L: 165, M: 262, H: 392 });
const GAIN: Readonly<Record<Weight, number>> = Object.freeze({ 1: 0.07, 2: 0.14, 3: 0.26 });
const LASTS_MS = 110;
const DEAD_MS = 35;

/**
 * A pattern as clicks, so many times round, quiet enough for headphones: at most a quarter of full scale.
 * @example clicksOf(pattern, { bpm: 60, beatUnit: "1/4" }, 1)[0] // => { ms: 0, hz: 220, gain: 0.14, lastsMs: 110 }
 */
export function clicksOf(pattern: Pattern, tempo: Tempo, rounds: number): StrokeClick[] {
  const ticks = strokeTicks(pattern);
  const length = ticksOfPattern(pattern);
  return Array.from({ length: rounds }, (_, round) =>
    pattern.strokes.flatMap((stroke, at): StrokeClick[] =>
      isOnset(stroke)
        ? voicesOf(stroke).map((hz) => ({
            ms: tempoMs(round * length + ticks[at]!, tempo),
            hz,
            gain: GAIN[weightOf(stroke)] / voicesOf(stroke).length,
            lastsMs: stroke.kind === "dead" ? DEAD_MS : LASTS_MS,
          }))
        : [],
    ),
  ).flat();
}

function voicesOf(stroke: Stroke): readonly number[] {
  switch (stroke.kind) {
    case "down":
      return [DOWN_HZ * (stroke.open ? OPEN_RATIO : 1)];
    case "up":
      return [UP_HZ * (stroke.open ? OPEN_RATIO : 1)];
    case "dead":
      return [DEAD_HZ];
    case "fingers":
      return stroke.fingers.map((finger) => FINGER_HZ[finger]);
    case "zones":
      return stroke.zones.map((zone) => ZONE_HZ[zone]);
    default:
      return [];
  }
}
