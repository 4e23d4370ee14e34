import type { JudgedPress } from "@/core/loops";
import { batch, type Command, type LoopRun, type MakeId, orderAtEnd, type SimpleCommand } from "@/core/song";

/** Runs kept in a log. */
const MOST_RUNS = 60;

const today = (): string => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()]
    .map((part) => String(part).padStart(2, "0"))
    .join("-");
};

/**
 * Keeps a whole run in its log; the oldest go when there are too many.
 * @param kept the runs so far of this log
 * @param more fields of the row besides the run's own
 */
export function keepRun(
  table: "loopRuns" | "soundRuns",
  kept: readonly LoopRun[],
  judged: readonly JudgedPress[],
  makeId: MakeId,
  more: Readonly<Record<string, string>> = {},
): Command {
  const runs = kept.toSorted((a, b) => (a.order < b.order ? -1 : 1));
  const old = runs.slice(0, Math.max(0, runs.length + 1 - MOST_RUNS));
  const presses = judged.map(({ judged: word, ms, place, sung }) => ({ judged: word, ms, place, sung }));
  const row = { id: makeId(), order: orderAtEnd(runs), day: today(), presses, ...more };
  return batch("Keep a run", [
    ...old.map((run): SimpleCommand => ({ type: "remove", table, id: run.id })),
    { type: "add", table, row },
  ]);
}
