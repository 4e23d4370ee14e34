import { beatsOfBar } from "../meter";
import { countsOf } from "./counts";
import type { Pattern, Stroke } from "./pattern";

/** Bars of a pattern that are alike and follow each other: drawn once. */
export type BarRow = {
  readonly strokes: readonly Stroke[];
  /** Which stroke of the pattern each is. */
  readonly at: readonly number[];
  /** How many such bars there are in a row. */
  readonly times: number;
  /** The first of them, from 1. */
  readonly bar: number;
};

/**
 * A pattern a bar at a time, equal bars that follow each other folded. A pattern that does not fill its last bar begins again
 * in it, so that half a bar is seen as the bar it makes.
 * @example barRows(twoBars).map(({ times }) => times) // => [2] where both are alike
 */
export function barRows({ meter, subdivision, strokes }: Pattern): BarRow[] {
  const inBar = beatsOfBar(meter) * subdivision;
  const bars = Math.ceil(strokes.length / inBar);
  const rows: BarRow[] = [];
  for (let bar = 0; bar < bars; bar++) {
    const at = Array.from({ length: inBar }, (_, place) => (bar * inBar + place) % strokes.length);
    const own = at.map((one) => strokes[one]!);
    const last = rows.at(-1);
    if (last && JSON.stringify(last.strokes) === JSON.stringify(own))
      rows[rows.length - 1] = { ...last, times: last.times + 1 };
    else rows.push({ strokes: own, at, times: 1, bar: bar + 1 });
  }
  return rows;
}

/**
 * A pattern as the last beats of a bar: what a fill is, with what is counted over it.
 * @example lastBeats(fourSixteenths).counts // => ["4", "e", "&", "a"]
 */
export function lastBeats(pattern: Pattern): { readonly row: BarRow; readonly counts: readonly string[] } {
  const { meter, subdivision, strokes } = pattern;
  const inBar = beatsOfBar(meter) * subdivision;
  const whole = Math.max(1, Math.ceil(strokes.length / inBar)) * inBar;
  const rests = Array.from({ length: whole - strokes.length }, (): Stroke => ({ kind: "ring" }));
  const counts = countsOf({ ...pattern, strokes: [...rests, ...strokes] });
  return {
    row: { strokes, at: strokes.map((_, at) => at), times: 1, bar: 1 },
    counts: counts.slice(rests.length),
  };
}
