import { fail, ok, type Result, type Ticks } from "../../base";
import { countBeats, formatBeats } from "./beats";
import { type BeatUnit, TICKS_PER_QUARTER, ticksOfBeatUnit } from "./meter";

/** Beats of chords as a person types them, parted where bar lines stand. */
export type BeatRow = readonly (readonly number[])[];

export type BeatRowProblem =
  | { readonly code: "empty" }
  | { readonly code: "not-beats"; readonly text: string; readonly at: number }
  | { readonly code: "too-short" | "too-long"; readonly text: string; readonly at: number }
  | { readonly code: "nothing-to-repeat"; readonly text: string; readonly at: number }
  | { readonly code: "other-count"; readonly beats: number; readonly chords: number };

/** The longest a chord may last, in beats, and the shortest. */
const MOST_CHORD_BEATS = 128;
const LEAST_CHORD_BEATS = 0.125;
const MOST_REPEATED = 32;
/** No row of a line is longer. */
const MOST_VALUES = 400;

const PARTS: Readonly<Record<string, number>> = Object.freeze({
  "½": 0.5,
  "¼": 0.25,
  "¾": 0.75,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
});

/**
 * Reads a row of beats: numbers, bar lines between them, "x2" to play what stands before it again.
 * @returns the beats, in groups as bar lines part them; or what is not understood, and where it stands in the text, from 0
 * @example readBeatRow("6 2 | 4 4").value // => [[6, 2], [4, 4]]
 * @example readBeatRow("1½ 2,5 x2").value // => [[1.5, 2.5, 1.5, 2.5]]
 */
export function readBeatRow(text: string): Result<BeatRow, BeatRowProblem> {
  const groups: number[][] = [[]];
  let played = { group: 0, value: 0 };
  for (const { 0: sign, index: at } of text.matchAll(/\||[^\s|;/]+/gu)) {
    if (sign === "|") {
      if (groups.at(-1)!.length > 0) groups.push([]);
      continue;
    }
    const times = /^(?:[x×](\d{1,2})|(\d{1,2})[x×])$/iu.exec(sign);
    if (times) {
      const from = groups.slice(played.group).map((group, place) => group.slice(place ? 0 : played.value));
      const again = from.filter((group) => group.length > 0);
      const count = Number(times[1] ?? times[2]);
      if (again.length === 0 || count === 0) return fail({ code: "nothing-to-repeat", text: sign, at });
      if (count > MOST_REPEATED) return fail({ code: "too-long", text: sign, at });
      repeat(groups, again, count);
      played = { group: groups.length - 1, value: groups.at(-1)!.length };
    } else {
      const beats = beatsOf(sign);
      if (beats === null) return fail({ code: "not-beats", text: sign, at });
      if (beats < LEAST_CHORD_BEATS) return fail({ code: "too-short", text: sign, at });
      if (beats > MOST_CHORD_BEATS) return fail({ code: "too-long", text: sign, at });
      groups.at(-1)!.push(beats);
    }
    if (groups.flat().length > MOST_VALUES) return fail({ code: "too-long", text: sign, at });
  }
  const row = groups.filter((group) => group.length > 0);
  return row.length === 0 ? fail({ code: "empty" }) : ok(row);
}

/** Plays groups again: on in the last one where no bar line ends it. */
function repeat(groups: number[][], again: readonly (readonly number[])[], count: number): void {
  for (let round = 1; round < count; round++)
    for (const [place, group] of again.entries()) {
      const goesOn = place === 0 && (again.length === 1 || groups.at(-1)!.length === 0);
      if (goesOn) groups.at(-1)!.push(...group);
      else groups.push([...group]);
    }
}

function beatsOf(sign: string): number | null {
  const match = /^(\d{1,3}(?:[.,]\d{1,3})?|[.,]\d{1,3})?([½¼¾⅓⅔])?,?$/u.exec(sign);
  if (!match || (match[1] === undefined && match[2] === undefined)) return null;
  return Number((match[1] ?? "0").replace(",", ".")) + (match[2] ? PARTS[match[2]]! : 0);
}

/**
 * Gives a row to lines: to the first alone, as often as it goes into its chords; or, where it is longer and its bar lines fall
 * between lines, to the lines below too.
 * @param chords how many chords the line has, and those below it
 * @returns the beats of each chord, for one line or more
 * @example fitBeatRow([[2, 2]], [4]).value // => [[2, 2, 2, 2]]
 * @example fitBeatRow([[6, 2], [4, 4]], [2, 2, 3]).value // => [[6, 2], [4, 4]]
 */
export function fitBeatRow(
  row: BeatRow,
  chords: readonly number[],
): Result<readonly (readonly number[])[], BeatRowProblem> {
  const all = row.flat();
  const own = chords[0] ?? 0;
  if (own > 0 && own % all.length === 0)
    return ok([Array.from({ length: own }, (_, at) => all[at % all.length]!)]);
  const lines: number[][] = [];
  let group = 0;
  for (const count of chords) {
    if (count === 0) continue;
    const line: number[] = [];
    while (group < row.length && line.length < count) line.push(...row[group++]!);
    if (line.length !== count) break;
    lines.push(line);
    if (group === row.length) return ok(lines);
  }
  return fail({ code: "other-count", beats: all.length, chords: own });
}

/**
 * Beats as a row, with a bar line wherever one falls between two chords.
 * @param from how many beats into a bar the line begins
 * @example formatBeatRow([4, 4, 2, 2, 4], 4) // => "4 | 4 | 2 2 | 4"
 */
export function formatBeatRow(beats: readonly number[], bar: number, from = 0): string {
  let place = from;
  return beats
    .map((one, at) => {
      const isNewBar = at > 0 && isWhole(place / bar);
      place += one;
      return `${isNewBar ? "| " : ""}${formatBeats(one)}`;
    })
    .join(" ");
}

const isWhole = (bars: number): boolean => Math.abs(bars - Math.round(bars)) < 1e-6;

/** Ticks of each chord of a row; at least one. @example ticksOfRow([1.5, 2], "1/4") // => [1440, 1920] */
export function ticksOfRow(beats: readonly number[], beatUnit: BeatUnit): Ticks[] {
  const unit = ticksOfBeatUnit(beatUnit) ?? TICKS_PER_QUARTER;
  return beats.map((one) => Math.max(1, Math.round(one * unit)));
}

/** What is wrong with a row, for who typed it. */
export function describeBeatRowProblem(problem: BeatRowProblem): string {
  switch (problem.code) {
    case "empty":
      return "Type the beats of each chord, such as 4 4 or 6 2 | 4 4.";
    case "not-beats":
      return `“${problem.text}” is no number of beats. Type numbers, such as 4 4 or 6 2 | 4 4.`;
    case "too-short":
      return `“${problem.text}” is too short: a chord lasts an eighth of a beat or more.`;
    case "too-long":
      return `“${problem.text}” is too long: a chord lasts at most ${countBeats(MOST_CHORD_BEATS)}, and is played at most ${MOST_REPEATED} times.`;
    case "nothing-to-repeat":
      return `“${problem.text}” has nothing before it to play again.`;
    case "other-count":
      return `${problem.beats} ${problem.beats === 1 ? "number" : "numbers"} for ${
        problem.chords === 1 ? "1 chord" : `${problem.chords} chords`
      }: type one for each, or a few that go into them.`;
  }
}
