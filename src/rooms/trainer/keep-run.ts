import { orderAtEnd } from "@/core/song/edit";
import type { LoopRun } from "@/core/song/schema";
import type { MakeId } from "@/document";
import type { JudgedPress } from "@/performance/judged";

/** Runs kept in a log. */
const MOST_RUNS = 60;

const today = (): string => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()]
    .map((part) => String(part).padStart(2, "0"))
    .join("-");
};

/**
 * A run as its log keeps it, and the oldest ones that go when there are too many.
 * @param kept the runs so far of this log
 */
export function keepRun(
  kept: readonly LoopRun[],
  judged: readonly JudgedPress[],
  makeId: MakeId,
  kind: Pick<LoopRun, "whole" | "of"> = { whole: true, of: "song" },
): { readonly run: LoopRun; readonly gone: readonly LoopRun[] } {
  const runs = kept.toSorted((a, b) => (a.order < b.order ? -1 : 1));
  const gone = runs.slice(0, Math.max(0, runs.length + 1 - MOST_RUNS));
  const presses = judged.map(({ due: _due, made: _made, ...press }) => press);
  return {
    run: { id: makeId(), order: orderAtEnd(runs), day: today(), presses, ...kind },
    gone,
  };
}
