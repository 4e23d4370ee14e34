import type { MeetingProblem, RhythmMeeting } from "./compare-strums";
import type { GateProblem } from "./gate";
import type { SaidPatternProblem } from "./said-patterns";
import type { SpokenProblem } from "./spoken";
import type { PatternProblem } from "./written";

/** What is wrong with a pattern, as a sentence that says what to write. */
export function describePatternProblem(problem: PatternProblem): string {
  switch (problem.code) {
    case "empty":
      return "A pattern needs at least one beat of strokes: D, U, x, . or -, with space between.";
    case "too-long":
      return `A pattern has at most 4096 strokes; this one has ${problem.strokes}.`;
    case "stroke":
      return `Stroke ${problem.at + 1} is "${problem.text}": write D or U (with 1 to 3 for its weight; Do, Uo over open strings), x, . or -; fingers are p i m a, zones L M H.`;
    case "beats-open":
      return `${problem.strokes} strokes don't fill whole beats: a beat has ${problem.subdivision}. Add ${problem.subdivision - (problem.strokes % problem.subdivision)} (a . lets ring).`;
    case "subdivision":
      return `A beat is cut into 2, 3 or 4 (6 in 6/8, 9/8 and 12/8), not ${problem.subdivision}.`;
    case "swing":
      return `Swing goes from 0.5 (even) to 0.75, not ${problem.swing}.`;
    case "no-pairs":
      return `A beat cut into ${problem.subdivision} has no pairs to swing: leave swing at 0.5.`;
  }
}

export function describeSpokenProblem(problem: SpokenProblem): string {
  switch (problem.code) {
    case "empty":
      return "Write what you would say, such as: DUM~ dum ta~ ta dum ta.";
    case "syllable":
      return `Syllable ${problem.at + 1}, "${problem.text}", is no stroke: begin with d or b for down, t or k for up, x, ch or s for a dead one.`;
    case "count":
      return `Count ${problem.at + 1}, "${problem.text}", is not in this bar: write counts such as 1, 2&, 3.`;
  }
}

/** What of a strum as it is said is not understood, and what to say instead. */
export function describeSaidProblem(problem: SaidPatternProblem): string {
  switch (problem.code) {
    case "empty":
      return "Say at least one stroke: down down up, or counts such as 1 2 & 4.";
    case "word":
      return `“${problem.text}” (word ${problem.at + 1}) is neither a stroke nor a count: say down and up, rest, x for a dead stroke; or counts alone.`;
    case "count":
      return `A bar here counts from 1 to ${problem.most}, not to ${problem.number}.`;
    case "too-long":
      return "That is longer than a pattern can be: say one bar or two of it.";
  }
}

export function describeGateProblem(problem: GateProblem): string {
  if (problem.code === "sign")
    return `Sign ${problem.at + 1} of the on–off row is "${problem.text}": write 1 for on, 0 for off.`;
  return `The on–off row has ${problem.signs} signs, which don't divide the ${problem.strokes} of the pattern.`;
}

/** Why two rhythms can't be laid over one another. */
export function describeMeetingProblem(problem: MeetingProblem): string {
  switch (problem.code) {
    case "meters":
      return "Their bars are of different length: they can’t be laid over one another.";
    case "free":
      return "One of them is free: it can meet the other or leave it room, as the hand likes.";
    case "never-together":
      return "They come round together only after more than 256 bars.";
  }
}

/** A word of judgement on two rhythms together. The limits are ours, no source. */
export function describeMeeting({ overlap, shared, united, onlyA, onlyB }: RhythmMeeting): string {
  if (united === 0) return "Neither plays.";
  if (onlyA.length === 0 && onlyB.length === 0)
    return "The same rhythm twice: double on purpose, or change one of them.";
  const met = `They meet on ${shared} of ${united} strokes`;
  if (overlap === 0) return "They never meet: they interlock, each fills what the other leaves.";
  if (overlap <= 0.25) return `${met}: they interlock.`;
  if (overlap >= 0.75) return `${met}: nearly one guitar twice.`;
  if (onlyA.length === 0 || onlyB.length === 0)
    return `${met}: one is the other with strokes left out, and adds no rhythm of its own.`;
  return `${met}: some of both.`;
}
