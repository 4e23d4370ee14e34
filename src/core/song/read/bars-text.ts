import { fail, ok, type Result } from "../../../base";

/** Ranges of bars, counted from 0, each up to and without its second number. */
export type BarRanges = readonly (readonly [from: number, to: number])[];

export type BarsProblem =
  | { readonly code: "not-bars"; readonly text: string }
  | { readonly code: "outside"; readonly bar: number; readonly bars: number }
  | { readonly code: "backwards"; readonly text: string };

/**
 * Reads bars as people write them, counted from 1: "1-4, 7". "all" or nothing is all bars, "none" is none.
 * @returns ranges, joined where they touch, in order; null for all
 * @example readBars("1-4, 5, 8", 8) // => [[0, 5], [7, 8]]
 */
export function readBars(text: string, bars: number): Result<BarRanges | null, BarsProblem> {
  const plain = text.trim().toLowerCase();
  if (plain === "" || plain === "all") return ok(null);
  if (plain === "none") return ok([]);
  const on = new Set<number>();
  for (const piece of plain.split(/\s*,\s*/u)) {
    const match = /^(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?$/u.exec(piece);
    if (!match) return fail({ code: "not-bars", text: piece });
    const [from, to] = [Number(match[1]), Number(match[2] ?? match[1])];
    if (to < from) return fail({ code: "backwards", text: piece });
    if (from < 1 || to > bars) return fail({ code: "outside", bar: from < 1 ? from : to, bars });
    for (let bar = from; bar <= to; bar++) on.add(bar - 1);
  }
  const ranges: [number, number][] = [];
  for (const bar of [...on].sort((a, b) => a - b)) {
    const last = ranges.at(-1);
    if (last && last[1] === bar) last[1] = bar + 1;
    else ranges.push([bar, bar + 1]);
  }
  return ok(ranges.length === 1 && ranges[0]![0] === 0 && ranges[0]![1] === bars ? null : ranges);
}

/** @example formatBars([[0, 4], [6, 7]]) // => "1-4, 7" */
export const formatBars = (ranges: BarRanges | null): string => {
  if (ranges === null) return "all";
  if (ranges.length === 0) return "none";
  return ranges.map(([from, to]) => (to === from + 1 ? `${to}` : `${from + 1}-${to}`)).join(", ");
};

export function describeBarsProblem(problem: BarsProblem): string {
  switch (problem.code) {
    case "not-bars":
      return `“${problem.text}” are no bars: write such as 1-4, 7, or all.`;
    case "outside":
      return `There is no bar ${problem.bar} here: the section has ${problem.bars}.`;
    case "backwards":
      return `“${problem.text}” goes backwards: write the lower bar first.`;
  }
}
