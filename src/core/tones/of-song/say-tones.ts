import { assertNever } from "../../base";
import { countBeats } from "../../rhythm";
import type { ToneCost } from "../plan";
import type { ToneWayOut } from "./offers";
import type { SongToneProblem } from "./song-tones";

const listed = (words: readonly string[]): string => words.join(", ");
const count = (number: number, one: string, many = `${one}s`): string =>
  `${number} ${number === 1 ? one : many}`;

/** What stands in the way of a plan, and what to do. */
export function saySongToneProblem(problem: SongToneProblem): string {
  switch (problem.code) {
    case "nothing-named":
      return "No part names a sound yet: give sections a sound below, and the banks are planned.";
    case "not-described":
      return `“${problem.sound}” is named in ${listed(problem.places)} and not described. It is planned by its name; describe it, or give those sections another sound.`;
    case "unnamed-first":
      return `${problem.label} comes first and has no sound: the box is not set before it. Give it one.`;
    case "pin-unused":
      return `“${problem.sound}” is pinned in a slot, and no section uses it: the pin waits until one does.`;
    case "pin-beyond":
      return `“${problem.sound}” is pinned in bank ${problem.bank + 1}, slot ${problem.slot + 1}, which this box has not: it goes where the plan puts it.`;
    case "pin-twice":
      return `Bank ${problem.bank + 1} has two pins that exclude each other at “${problem.sound}”: the second one waits.`;
    default:
      return assertNever(problem);
  }
}

/** The figures of a plan. @example sayToneCost(plan) // => "1 change heard, 3 bank changes, 14 presses" */
export const sayToneCost = ({ exposed, bankChanges, presses, bankCount, filled }: ToneCost): string =>
  [
    exposed === 0 ? "no change heard" : `${count(exposed, "change")} heard`,
    count(bankChanges, "bank change"),
    count(presses, "press", "presses"),
    `${count(filled, "slot")} in ${count(bankCount, "bank")}`,
  ].join(", ");

const placeOf = ({ bank, slot }: { readonly bank: number; readonly slot: number }): string =>
  `bank ${bank + 1}, slot ${slot + 1}`;

/** A way out as the words of a button. */
export function sayWayOut(out: ToneWayOut): string {
  switch (out.code) {
    case "swap":
      return `Swap ${placeOf(out.a)} and ${placeOf(out.b)}`;
    case "share":
      return `Play ${out.label} on “${out.sound}”`;
    case "end-early":
      return `End the last chord of ${out.early.label} ${countBeats(out.early.beats)} early`;
    case "cover":
      return `Let ${out.player} cover the last ${countBeats(out.early.beats)} of ${out.early.label}`;
    default:
      return assertNever(out);
  }
}
