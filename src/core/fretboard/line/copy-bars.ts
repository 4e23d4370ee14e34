import { fail, ok, type Result, type Ticks } from "../../../base";
import { LAST_FRET } from "../neck";
import { inOrder, type TabNote } from "./note";

/** What of a line is copied where. Bars count from 0. */
export type BarsCopied = {
  readonly from: number;
  readonly bars: number;
  readonly to: number;
  /** How many frets up the neck the copy lies; open strings stay open. */
  readonly frets: number;
};

export type CopyProblem = { readonly code: "nothing" } | { readonly code: "off-neck"; readonly fret: number };

/**
 * The same bars again somewhere else in a line, as they are or as a shape so many frets up: a cell on a shape that moves.
 * What stood there goes; the line grows where it ends before them.
 * @returns the notes and how long the line then is, or why not: nothing to copy, or a fret that lies off the neck
 * @example copyBars(notes, 3840, 3840, { from: 0, bars: 1, to: 1, frets: 2 })
 */
export function copyBars<Note extends TabNote>(
  notes: readonly Note[],
  bar: Ticks,
  length: Ticks,
  { from, bars, to, frets }: BarsCopied,
): Result<{ readonly notes: readonly TabNote[]; readonly ticks: Ticks }, CopyProblem> {
  const [start, end] = [from * bar, (from + bars) * bar];
  const [target, targetEnd] = [to * bar, (to + bars) * bar];
  const cell = notes.filter(({ tick }) => tick >= start && tick < end);
  if (cell.length === 0) return fail({ code: "nothing" });
  const moved = cell.map(
    (note): TabNote => ({
      ...note,
      tick: note.tick - start + target,
      fret: note.fret === 0 || note.art === "dead" ? note.fret : note.fret + frets,
    }),
  );
  const off = moved.find(({ fret }) => fret < 0 || fret > LAST_FRET);
  if (off) return fail({ code: "off-neck", fret: off.fret });
  const kept = notes.filter(({ tick }) => tick < target || tick >= targetEnd);
  return ok({ notes: inOrder([...kept, ...moved]), ticks: Math.max(length, targetEnd) });
}

export function describeCopyProblem(problem: CopyProblem): string {
  return problem.code === "nothing"
    ? "Those bars are empty: there is nothing to copy."
    : `The copy would reach fret ${problem.fret}, which is not on the neck. Nothing was changed.`;
}
