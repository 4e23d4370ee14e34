import { assertNever } from "../../../base";
import type { ToneProblem } from "./sound-case";

const slotsOf = (count: number): string => `${count} ${count === 1 ? "slot" : "slots"}`;
const banksOf = (count: number): string => `${count} ${count === 1 ? "bank" : "banks"}`;

/** What stands in the way of a plan, and what to do. Pins are counted from 1. */
export function describeToneProblem(problem: ToneProblem): string {
  switch (problem.code) {
    case "too-many-tones":
      return `${problem.tones} tones don't fit ${banksOf(problem.banks)} of ${slotsOf(problem.slots)}: allow ${banksOf(Math.ceil(problem.tones / problem.slots))}, or let sections share a tone`;
    case "pins-leave-no-room":
      return `the pins leave ${slotsOf(problem.places)} for ${problem.tones} other tones: take a pin out, or allow another bank`;
    case "pin-bank":
      return `should be one of the ${banksOf(problem.banks)} allowed, counted from 0`;
    case "pin-slot":
      return `should be one of the ${slotsOf(problem.slots)} of a bank, counted from 0`;
    case "pin-tone":
      return "should name a tone that a section uses";
    case "pin-taken":
      return `should be another slot: ${JSON.stringify(problem.by)} is pinned there`;
    case "pin-twice":
      return "should be another bank: the tone is pinned in this one already";
    default:
      return assertNever(problem);
  }
}
