import { fail, ok, type Result } from "../../../base";
import { beatUnitOf, type Meter, ticksOfBeatUnit } from "../meter";
import { type Tempo, tempoMs } from "../tempo";
import type { Pattern, Stroke, Subdivision } from "./pattern";

/** A stroke tapped in: when, in ms after the downbeat of the first bar. */
export type Tap = { readonly ms: number; readonly stroke: Stroke };

export type TappedPattern = {
  readonly pattern: Pattern;
  /** How far the farthest tap lay from its place, ms. */
  readonly farthestMs: number;
  /** Taps that fell on a place already taken; the last one stands. */
  readonly doubled: number;
};

export type TapProblem =
  | { readonly code: "no-taps" }
  | { readonly code: "before-start"; readonly ms: number };

/**
 * Lays taps on the nearest subdivision of whole beats. A tap up to half a subdivision before the downbeat counts as on
 * it; the pattern is as many bars as asked.
 * @example patternFromTaps(taps, { meter, subdivision: 2, tempo: { bpm: 80, beatUnit: "1/4" }, bars: 1 })
 */
export function patternFromTaps(
  taps: readonly Tap[],
  input: {
    readonly meter: Meter;
    readonly subdivision: Subdivision;
    readonly tempo: Tempo;
    readonly bars: number;
  },
): Result<TappedPattern, TapProblem> {
  if (taps.length === 0) return fail({ code: "no-taps" });
  const { meter, subdivision, tempo, bars } = input;
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const each = tempoMs(beat, tempo) / subdivision;
  const inBar = ((meter.beats * 3840) / meter.unit / beat) * subdivision;
  const strokes: Stroke[] = Array.from({ length: inBar * bars }, () => ({ kind: "ring" }));
  let [farthestMs, doubled] = [0, 0];
  for (const { ms, stroke } of taps) {
    const nearest = Math.round(ms / each);
    if (nearest < 0) return fail({ code: "before-start", ms });
    const place = nearest % strokes.length;
    if (strokes[place]!.kind !== "ring") doubled++;
    strokes[place] = stroke;
    farthestMs = Math.max(farthestMs, Math.abs(ms - nearest * each));
  }
  return ok({ pattern: { meter, subdivision, swing: 0.5, strokes }, farthestMs, doubled });
}
