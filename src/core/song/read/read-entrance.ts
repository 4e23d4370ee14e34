import { fail, ok, type Result } from "../../../base";
import type { BarsSaid } from "../schema/bars-said";
import type { EntranceKind } from "../schema/entrances";
import { type BarsProblem, describeBarsProblem, formatBars, type NamedWord, readBars } from "./bars-text";

/** Where somebody comes in or leaves, at a use that is known. */
export type EntranceSaid = { readonly kind: EntranceKind; readonly bars: BarsSaid | null };

export type EntranceProblem = { readonly code: "not-entrance"; readonly text: string } | BarsProblem;

const SIGNS: readonly (readonly [EntranceKind, RegExp])[] = [
  ["only", /^(?:is |plays )?only\b/u],
  ["enters", /^(?:enters?|comes? in|in)\b/u],
  ["leaves", /^(?:leaves?|goes|out)\b/u],
];

/**
 * Reads where a player comes in or leaves, at one use: "enters here", "enters at the second half", "leaves at bar 5",
 * "only the last 2", "enters at “water”"; several with semicolons between, "" for none.
 * @param bars how many the section has
 * @param words those sung in it
 * @example readEntrances("enters at the second half", 8) // => [{ kind: "enters", bars: [["half", 2]] }]
 */
export function readEntrances(
  text: string,
  bars: number,
  words: readonly NamedWord[] = [],
): Result<readonly EntranceSaid[], EntranceProblem> {
  const found: EntranceSaid[] = [];
  for (const piece of text.split(/\s*;\s*/u)) {
    if (piece.trim() === "") continue;
    const plain = piece.trim();
    const kind = SIGNS.find(([, sign]) => sign.test(plain.toLowerCase()))?.[0];
    if (!kind) return fail({ code: "not-entrance", text: plain });
    const sign = SIGNS.find(([one]) => one === kind)![1];
    const where = plain
      .replace(new RegExp(sign.source, "iu"), "")
      .replace(/^\s*(?:with|at|in|on|for|from)\b/iu, "")
      .trim();
    const said =
      where === "" || where.toLowerCase() === "here" ? ok(null) : readWhere(where, kind, bars, words);
    if (!said.ok) return said;
    found.push({ kind, bars: said.value });
  }
  return ok(found);
}

/** Bars as {@link readBars} reads them, or a word alone; who enters or leaves at a bar does so from there on. */
function readWhere(
  where: string,
  kind: EntranceKind,
  bars: number,
  words: readonly NamedWord[],
): Result<BarsSaid | null, BarsProblem> {
  const direct = readBars(where, bars, words);
  if (direct.ok || direct.problem.code !== "not-bars") return direct;
  const word = readBars(`from ${where}`, bars, words);
  return kind === "only" || !word.ok ? direct : word;
}

const KIND_WORDS: Readonly<Record<EntranceKind, string>> = Object.freeze({
  enters: "enters",
  leaves: "leaves",
  only: "only",
});

/**
 * The same as it is written in a field; {@link readEntrances} reads it back.
 * @example formatEntrances([{ kind: "enters", bars: [["half", 2]] }]) // => "enters at the second half"
 */
export const formatEntrances = (said: readonly EntranceSaid[], words?: readonly NamedWord[]): string =>
  said
    .map(({ kind, bars }) => {
      if (bars === null) return `${KIND_WORDS[kind]} here`;
      const where = formatBars(bars, words).replace(/^from (?=“)/u, "");
      const numbered = /^\d/u.test(where)
        ? `${/^\d+$/u.test(where) ? "bar" : "bars"} ${where}`
        : where.replace(/^(?=first|last|second)/u, "the ");
      return kind === "only" ? `only ${numbered}` : `${KIND_WORDS[kind]} at ${numbered}`;
    })
    .join("; ");

export function describeEntranceProblem(problem: EntranceProblem): string {
  if (problem.code === "not-entrance")
    return `“${problem.text}” is no coming in: write such as enters here, enters at the second half, leaves at bar 5, only here.`;
  return describeBarsProblem(problem);
}
