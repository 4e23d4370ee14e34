import type { Ticks } from "../../base";
import {
  type BarRanges,
  barsAt,
  barsIn,
  isOut,
  type Passage,
  type ResolvedCell,
  ticksOfRange,
} from "../song/read";

/** The bars of a passage a player plays, counted from 0; none where they are out. */
export const playedIn = ({
  cell,
  passage,
}: {
  readonly cell: ResolvedCell;
  readonly passage: Passage;
}): BarRanges => (isOut(cell) ? [] : (barsAt(cell, passage.round) ?? [[0, barsIn(passage).length]]));

/** When a player is silent in one time through a section: out of it, or in bars their part does not play. */
export function silenceOf(cell: ResolvedCell, passage: Passage): (from: Ticks, to: Ticks) => boolean {
  if (isOut(cell)) return () => true;
  const bars = barsAt(cell, passage.round);
  if (bars === null) return () => false;
  const played = bars.map((range) => ticksOfRange(passage, range));
  // A chord of which nothing but a sliver sounds is silent too: it came early from bars that are.
  return (from, to) =>
    !played.some(([start, end]) => Math.min(to, end) - Math.max(from, start) > (to - from) / 8);
}
