import type { DrawnBar } from "./drawn";

/** The drawn bar a stroke of the pattern stands in, and its place there; null for none. */
export function placeInBars(
  bars: readonly Pick<DrawnBar, "strokes" | "bar" | "times">[],
  stroke: number,
): { readonly at: number; readonly place: number } | null {
  const inBar = bars[0]?.strokes.length ?? 0;
  if (inBar === 0) return null;
  const bar = Math.floor(stroke / inBar) + 1;
  const at = bars.findIndex((one) => bar >= one.bar && bar < one.bar + one.times);
  return at < 0 ? null : { at, place: stroke % inBar };
}

/** A drawn bar, or its two halves where it has more places than fit in one row. */
export function halvesOf(
  row: DrawnBar,
  mostPlaces: number,
): readonly (DrawnBar & { readonly from: number })[] {
  const { strokes, counts, words, subdivision } = row;
  const half = Math.ceil(strokes.length / subdivision / 2) * subdivision;
  const starts = strokes.length > mostPlaces ? [0, half] : [0];
  return starts.map((from, at) => {
    const to = starts[at + 1];
    return {
      ...row,
      from,
      strokes: strokes.slice(from, to),
      counts: counts.slice(from, to),
      words: words.slice(from, to),
    };
  });
}
