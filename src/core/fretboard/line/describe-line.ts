import { ordinal } from "../finger-words";
import type { PlaceProblem } from "./place-line";
import type { LineProblem } from "./problems";

/** What is wrong with a line, as a sentence. Notes count from 1, in the order given. */
export function describeLineProblem(problem: LineProblem): string {
  const note = "note" in problem ? `The ${ordinal(problem.note + 1)} note` : "";
  switch (problem.code) {
    case "no-string":
      return `${note} is on a string this neck doesn’t have.`;
    case "off-neck":
      return `${note}, fret ${problem.fret}, lies beyond the neck behind this capo.`;
    case "string-twice":
      return `${note} is on a string that is struck at the same moment already.`;
    case "overlap":
      return `${note} begins while the one before still sounds on its string: shorten that one, or let it ring.`;
    case "past-end":
      return `${note} sounds past the end of the line: shorten it, or make the line longer.`;
    case "from-nothing":
      return `${note} hangs on a note before it on its string, and there is none.`;
    case "wrong-way":
      return `${note} goes the wrong way: a hammer-on goes up, a pull-off down, a slide somewhere else.`;
    case "bend-open":
      return `${note} is an open string, which can’t be bent.`;
    case "whole-bars":
      return `The line doesn’t fill whole bars: ${problem.ticks % problem.bar} of ${problem.bar} ticks are over.`;
  }
}

export const describePlaceProblem = (problem: PlaceProblem): string =>
  problem.code === "unreachable"
    ? `The ${ordinal(problem.note + 1)} note has no place on these strings.`
    : `What is struck with the ${ordinal(problem.note + 1)} note is too wide for one hand here.`;
