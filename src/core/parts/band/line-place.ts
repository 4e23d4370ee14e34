import type { Ticks } from "../../../base";
import { barsAt, type Passage, type ResolvedCell, ticksOfRange } from "../../song/read";
import type { LineFill } from "../../song/schema";

/** A stretch of a passage in which a line is played, in ticks from where the passage begins. */
export type LineSpan = { readonly from: Ticks; readonly to: Ticks };

/** One time round of a line: where it begins, and what of it is played. */
export type LineRound = LineSpan & {
  /** Where its first note would be; before `from` where its beginning is cut. */
  readonly begins: Ticks;
};

/**
 * Where a line is played in one time through a section: from its downbeat, or in the bars the part plays, each anew.
 * @param isThrough whether it belongs to the section's chords: it begins with them, whatever bars of it are heard
 */
export function lineSpans(
  cell: Pick<ResolvedCell, "bars" | "stays">,
  passage: Passage,
  isThrough = false,
): readonly LineSpan[] {
  const { pickup } = passage.section;
  const bars = isThrough ? null : barsAt(cell, passage.round);
  if (bars === null) return [{ from: pickup, to: passage.ticks }];
  return bars.map((range) => {
    const [from, to] = ticksOfRange(passage, range);
    return { from: Math.max(pickup, from - passage.tick), to: to - passage.tick };
  });
}

/**
 * The times round of a line in a span: again until it ends, the last one cut; once; or so that the last one ends with it, the
 * first one cut.
 * @example lineRounds({ from: 0, to: 6 }, 4, "to the end").map(({ begins }) => begins) // => [-2, 2]
 */
export function lineRounds({ from, to }: LineSpan, length: Ticks, fill: LineFill): LineRound[] {
  if (length <= 0 || to <= from) return [];
  const count = fill === "once" ? 1 : Math.ceil((to - from) / length);
  const first = fill === "to the end" ? to - count * length : from;
  return Array.from({ length: count }, (_, at) => {
    const begins = first + at * length;
    return { begins, from: Math.max(from, begins), to: Math.min(to, begins + length) };
  });
}

/** How a line of so many bars fills others, in words; "" where it comes out even. @example "4 bars in 6: again, then cut" */
export function tellFill(bars: number, played: number, fill: LineFill): string {
  const over = played % bars;
  if (over === 0 && (fill !== "once" || played === bars)) return "";
  return `${bars} ${bars === 1 ? "bar" : "bars"} in ${played}: ${FILL_WORDS[fill]}`;
}

/** How a line fills the bars it is played in. */
export const FILL_WORDS: Readonly<Record<LineFill, string>> = Object.freeze({
  again: "again until they end, the last time cut",
  once: "once, then silent",
  "to the end": "again, the first time cut, so that it ends with them",
});
