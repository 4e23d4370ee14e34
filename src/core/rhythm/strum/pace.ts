import type { Ticks } from "../../../base";
import { type Tempo, tempoMs } from "../tempo";
import type { Pattern } from "./pattern";
import { onsetsOf, ticksOfPattern } from "./times";

/** How single notes or strokes are struck: down and up by turns, or every one down. */
const STROKE_HABITS = ["alternate", "down"] as const;
export type StrokeHabit = (typeof STROKE_HABITS)[number];

/** How often a second a hand can go down and come back up, by level. Ours, common practice, no source. */
const MOST_SWINGS_A_SECOND = Object.freeze({ beginner: 2.5, steady: 4, fluent: 6 });
export type HandLevel = keyof typeof MOST_SWINGS_A_SECOND;

export type Pace = {
  /** Down-and-back movements a second where it is fastest. */
  readonly swingsASecond: number;
  readonly most: number;
  readonly tooFast: boolean;
  /** The tempo, in the tempo's own beats, up to which this hand keeps up. */
  readonly bpmUpTo: number;
  /** When playing by turns would do where all down does not. */
  readonly alternateHelps: boolean;
};

/**
 * How fast strokes are asked of a hand. All down costs a whole movement a stroke, by turns half a one.
 * @param onsets in ticks, rising; null when fewer than two
 */
export function paceOf(
  onsets: readonly Ticks[],
  habit: StrokeHabit,
  tempo: Tempo,
  level: HandLevel,
): Pace | null {
  const gaps = onsets.slice(1).map((tick, index) => tick - onsets[index]!);
  const shortest = Math.min(...gaps.filter((gap) => gap > 0));
  if (!Number.isFinite(shortest)) return null;
  const strokesASecond = 1000 / tempoMs(shortest, tempo);
  const swingsASecond = habit === "down" ? strokesASecond : strokesASecond / 2;
  const most = MOST_SWINGS_A_SECOND[level];
  return {
    swingsASecond,
    most,
    tooFast: swingsASecond > most,
    bpmUpTo: (tempo.bpm * most) / swingsASecond,
    alternateHelps: habit === "down" && swingsASecond > most && strokesASecond / 2 <= most,
  };
}

/** The pace of a pattern that comes round again. */
export function paceOfPattern(pattern: Pattern, tempo: Tempo, level: HandLevel): Pace | null {
  const onsets = onsetsOf(pattern);
  const struck = pattern.strokes.filter((stroke) => stroke.kind === "down" || stroke.kind === "up");
  const habit = struck.length > 0 && struck.every((stroke) => stroke.kind === "down") ? "down" : "alternate";
  const first = onsets[0];
  return paceOf(first === undefined ? [] : [...onsets, first + ticksOfPattern(pattern)], habit, tempo, level);
}
