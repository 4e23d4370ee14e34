import type { Ticks } from "@/base";
import type { playerPart } from "@/core/parts";
import {
  type BarRanges,
  barsAt,
  barsIn,
  isOut,
  type Passage,
  type ResolvedCell,
  ticksOfRange,
} from "@/core/song/read";
import type { StageWait } from "@/core/stage";

/** The bars of a passage a player plays, counted from 0; none where they are out. */
export const playedIn = ({
  cell,
  passage,
}: Pick<ReturnType<typeof playerPart>["passages"][number], "cell" | "passage">): BarRanges =>
  isOut(cell) ? [] : (barsAt(cell, passage.round) ?? [[0, barsIn(passage).length]]);

/**
 * How many bars a player waits from the begin of each time through a section until they come in; null where they play
 * from its first bar, and where they do not come in any more.
 */
export function entriesOf(
  passages: ReturnType<typeof playerPart>["passages"],
): ReadonlyMap<Passage, StageWait> {
  const found = new Map<Passage, StageWait>();
  let next: StageWait | null = null;
  for (const one of passages.toReversed()) {
    const { passage } = one;
    const [first] = playedIn(one);
    const bars = barsIn(passage).length;
    if (first) next = { bars: first[0], label: passage.label };
    else if (next) next = { bars: next.bars + bars, label: next.label };
    if (next && next.bars > 0) found.set(passage, next);
  }
  return found;
}

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
