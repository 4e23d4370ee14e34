import { assertNever } from "../../../base";
import { countBeats } from "../../rhythm";
import type { SoundBox } from "../../song/schema";
import { bankNumber, type ToneCost } from "../plan";
import type { ToneWayOut } from "./offers";
import type { SongToneProblem } from "./song-sounds";

const listed = (words: readonly string[]): string => words.join(", ");
const count = (number: number, one: string, many = `${one}s`): string =>
  `${number} ${number === 1 ? one : many}`;

/** What stands in the way of a plan, and what to do. */
export function describeSongToneProblem(problem: SongToneProblem, box: Pick<SoundBox, "firstBank">): string {
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
      return `“${problem.sound}” is pinned in ${describeSlot(problem, box)}, which this box has not: it goes where the plan puts it.`;
    case "pin-twice":
      return `Bank ${bankNumber(box, problem.bank)} has two pins that exclude each other at “${problem.sound}”: the second one waits.`;
    default:
      return assertNever(problem);
  }
}

/** The figures of a plan. @example describeToneCost(plan) // => "1 change heard, 3 bank changes, 14 presses" */
export const describeToneCost = ({ exposed, bankChanges, presses, bankCount, filled }: ToneCost): string =>
  [
    exposed === 0 ? "no change heard" : `${count(exposed, "change")} heard`,
    count(bankChanges, "bank change"),
    count(presses, "press", "presses"),
    `${count(filled, "slot")} in ${count(bankCount, "bank")}`,
  ].join(", ");

/** A slot in words. @example describeSlot({ bank: 0, slot: 2 }, box) // => "bank 1, slot 3" */
export const describeSlot = (
  { bank, slot }: { readonly bank: number; readonly slot: number },
  box: Pick<SoundBox, "firstBank">,
): string => `bank ${bankNumber(box, bank)}, slot ${slot + 1}`;

/** A way out as the words of a button. */
export function describeWayOut(out: ToneWayOut, box: Pick<SoundBox, "firstBank">): string {
  switch (out.code) {
    case "swap":
      return `Swap ${describeSlot(out.a, box)} and ${describeSlot(out.b, box)}`;
    case "share":
      return `Play ${out.label} on “${out.sound}”`;
    case "end-early":
      return `End the last chord of ${out.early.label} early, by ${countBeats(out.early.beats)}`;
    case "cover":
      return `Let ${out.player} cover the last ${out.early.beats === 1 ? "beat" : countBeats(out.early.beats)} of ${out.early.label}`;
    default:
      return assertNever(out);
  }
}
