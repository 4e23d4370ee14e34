import { barRows, lastBeats } from "./bar-rows";
import { countsOf } from "./counts";
import type { Pattern, Stroke, Subdivision } from "./pattern";
import { readAloud, strokeAloud } from "./read-aloud";

/** Strokes as they stand side by side, with what is counted at each and how it is said; "" where what sounds rings on. */
export type DrawnRow = {
  readonly strokes: readonly Stroke[];
  readonly counts: readonly string[];
  readonly words: readonly string[];
  readonly subdivision: Subdivision;
  /** Whether any stroke on the swing is right. */
  readonly free: boolean;
};

/** A bar of a pattern as it is drawn: so many such bars in a row, the first of them `bar`, from 1. */
export type DrawnBar = DrawnRow & { readonly bar: number; readonly times: number };

/** A pattern ready to be drawn and told, so that what only draws it need not know how it is counted. */
export type DrawnPattern = { readonly bars: readonly DrawnBar[]; readonly aloud: string };

const rowOf = (strokes: readonly Stroke[], counts: readonly string[], pattern: Pattern): DrawnRow => ({
  strokes,
  counts,
  words: strokes.map((stroke) => (stroke.kind === "ring" ? "" : strokeAloud(stroke))),
  subdivision: pattern.subdivision,
  free: pattern.free ?? false,
});

/** All strokes of a pattern in one row. @example drawnRow(pattern).counts // => ["1", "&", "2", "&"] */
export const drawnRow = (pattern: Pattern): DrawnRow => rowOf(pattern.strokes, countsOf(pattern), pattern);

/**
 * A pattern a bar at a time, equal bars folded.
 * @param fill whether it is the last beats of a bar, drawn as what it is and not as a bar
 */
export function drawnPattern(pattern: Pattern, fill = false): DrawnPattern {
  const aloud = readAloud(pattern);
  if (fill) {
    const { row, counts } = lastBeats(pattern);
    return { bars: [{ ...rowOf(row.strokes, counts, pattern), bar: 1, times: 1 }], aloud };
  }
  const bars = barRows(pattern).map(({ strokes, bar, times }) => ({
    ...rowOf(strokes, countsOf({ ...pattern, strokes }), pattern),
    bar,
    times,
  }));
  return { bars, aloud };
}
