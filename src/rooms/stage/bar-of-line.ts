import type { SheetView } from "@/core/song/schema";
import type { StageRiff, StageSheet } from "@/core/stage";
import { isTabSheet } from "./sheet-view";

/**
 * One bar of a line, alone: what is folded below the line that is played.
 * @param from a tick of the bar, from where the passage begins
 * @example barOfLine(line, line.bars[0]).bars.length // => 1
 */
export function barOfLine(line: StageRiff, from: number): StageRiff {
  const at = Math.max(
    0,
    line.bars.findLastIndex((bar) => bar <= from),
  );
  const begins = line.bars[at] ?? 0;
  const ends = line.bars[at + 1] ?? line.ticks;
  const inBar = line.notes.flatMap(({ tick }, index) => (tick >= begins && tick < ends ? [index] : []));
  const pick = <One>(list: readonly One[]): One[] => inBar.map((index) => list[index]!);
  return {
    ...line,
    bars: [begins],
    ticks: ends,
    notes: pick(line.notes),
    names: pick(line.names),
    strokes: pick(line.strokes),
    fingers: pick(line.fingers),
    counts: pick(line.counts),
  };
}

/** The first bar of the tab that comes next, where tab is the sheet then; else null. */
export const firstBarOf = (next: StageSheet | null | undefined, view: SheetView): StageRiff | null =>
  next && isTabSheet(next, view) ? barOfLine(next.line, next.line.bars[0] ?? 0) : null;
