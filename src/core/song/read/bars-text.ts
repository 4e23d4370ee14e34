import { fail, ok, type Result } from "../../../base";
import type { BarsSaid } from "../schema/bars-said";
import { joined } from "./bar-ranges";
import type { Passage } from "./timeline";

/** A word of a section as it can be named: its row, and how it is written. */
export type NamedWord = { readonly id: string; readonly text: string };

/** The words sung in one time through a section, in their order. */
export const wordsIn = ({ lines }: Pick<Passage, "lines">): NamedWord[] =>
  lines.flatMap(({ outline }) => outline.words.map(({ word }) => ({ id: word.id, text: word.text })));

export type BarsProblem =
  | { readonly code: "not-bars"; readonly text: string }
  | { readonly code: "outside"; readonly bar: number; readonly bars: number }
  | { readonly code: "backwards"; readonly text: string }
  | { readonly code: "no-word"; readonly text: string };

/** How people write bars that follow their section. */
const HALF = /^(?:the )?(first|1st|second|2nd|last) half$/u;
const FEW = /^(?:the )?(first|last)(?: (\d{1,4}|bar|one|two|three|four|eight))?(?: bars?)?$/u;
const FROM = /^from (?:bar (\d{1,4})|[“"']?(.+?)[”"']?)(?: on)?$/u;
const COUNTS: Readonly<Record<string, number>> = { bar: 1, one: 1, two: 2, three: 3, four: 4, eight: 8 };

/**
 * Reads bars as people write them, counted from 1: "1-4, 7", "second half", "last 2", "from “water”". "all" or nothing is
 * all bars, "none" is none.
 * @param words those sung in the section, in their order; of two alike the first is meant
 * @returns bars by number joined where they touch and in order, then what follows the section; null for all
 * @example readBars("1-4, 5, 8", 8) // => [[0, 5], [7, 8]]; readBars("last 2", 8) // => [["last", 2]]
 */
export function readBars(
  text: string,
  bars: number,
  words: readonly NamedWord[] = [],
): Result<BarsSaid | null, BarsProblem> {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^bars? /u, "");
  if (plain === "" || plain === "all") return ok(null);
  if (plain === "none" || plain === "no bars") return ok([]);
  const numbered: (readonly [number, number])[] = [];
  const following: BarsSaid[number][] = [];
  for (const piece of plain.split(/\s*,\s*/u)) {
    const read = readPiece(piece, bars, words);
    if (!read.ok) return read;
    if (typeof read.value[0] !== "number") following.push(read.value);
    else numbered.push([read.value[0], Number(read.value[1])]);
  }
  const ranges = joined(numbered).map(([from, to]): [number, number] => [from, to]);
  if (following.length > 0) return ok([...ranges, ...following]);
  return ok(ranges.length === 1 && ranges[0]![0] === 0 && ranges[0]![1] === bars ? null : ranges);
}

function readPiece(
  piece: string,
  bars: number,
  words: readonly NamedWord[],
): Result<BarsSaid[number], BarsProblem> {
  const half = HALF.exec(piece);
  if (half) return ok(["half", half[1] === "first" || half[1] === "1st" ? 1 : 2]);
  const few = FEW.exec(piece);
  if (few) {
    const count = COUNTS[few[2] ?? "bar"] ?? Number(few[2]);
    if (count < 1 || count > bars) return fail({ code: "outside", bar: count, bars });
    return ok([few[1] as "first" | "last", count]);
  }
  const from = FROM.exec(piece);
  if (from?.[1]) return rangeOf(Number(from[1]), bars, bars, piece);
  if (from?.[2]) {
    const word = words.find(({ text }) => plainWord(text) === plainWord(from[2]!));
    return word ? ok(["from", word.id]) : fail({ code: "no-word", text: from[2] });
  }
  const match = /^(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?$/u.exec(piece);
  if (!match) return fail({ code: "not-bars", text: piece });
  return rangeOf(Number(match[1]), Number(match[2] ?? match[1]), bars, piece);
}

function rangeOf(
  from: number,
  to: number,
  bars: number,
  text: string,
): Result<[number, number], BarsProblem> {
  if (to < from && from <= bars) return fail({ code: "backwards", text });
  if (from < 1 || from > bars || to > bars)
    return fail({ code: "outside", bar: from < 1 || from > bars ? from : to, bars });
  return ok([from - 1, to]);
}

/** A word without the marks around it; "" where it is nothing else. */
export const bareWord = (text: string): string => text.replaceAll(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, "");

/** A word without its marks: as it is compared when somebody types it. */
const plainWord = (text: string): string => text.toLowerCase().replaceAll(/[^\p{L}\p{N}]/gu, "");

/**
 * Bars as they are written in a field; {@link readBars} reads them back.
 * @param words those sung in the section, by which one is named
 * @example formatBars([[0, 4], [6, 7]]) // => "1-4, 7"; formatBars([["half", 2]]) // => "second half"
 */
export const formatBars = (said: BarsSaid | null, words: readonly NamedWord[] = []): string => {
  const nameOf = (id: string): string => {
    const text = words.find((word) => word.id === id)?.text ?? "a word";
    return bareWord(text) || text;
  };
  if (said === null) return "all";
  if (said.length === 0) return "none";
  return said
    .map(([how, what]) => {
      if (how === "half") return what === 1 ? "first half" : "second half";
      if (how === "from") return `from “${nameOf(String(what))}”`;
      if (how === "first" || how === "last") return what === 1 ? `${how} bar` : `${how} ${what}`;
      return formatRange(Number(how), Number(what));
    })
    .join(", ");
};

/** @example formatRange(0, 4) // => "1-4"; part of a bar counts as the bar */
const formatRange = (from: number, to: number): string => {
  const [first, last] = [Math.floor(from) + 1, Math.ceil(to)];
  return first === last ? `${first}` : `${first}-${last}`;
};

export function describeBarsProblem(problem: BarsProblem): string {
  switch (problem.code) {
    case "not-bars":
      return `“${problem.text}” are no bars: write such as 1-4, 7, second half, last 2, from “word”, or all.`;
    case "outside":
      return `There is no bar ${problem.bar} here: the section has ${problem.bars}.`;
    case "backwards":
      return `“${problem.text}” goes backwards: write the lower bar first.`;
    case "no-word":
      return `“${problem.text}” is not sung here: write a word of this section.`;
  }
}
