import type { SoundBox } from "../../song/schema";

/** What the foot does on the box: a bank armed or taken, armed banks let go, a slot, a single pedal. */
export type ToneAct =
  | { readonly do: "arm" | "bank"; readonly bank: number }
  | { readonly do: "go" }
  | { readonly do: "slot"; readonly slot: number }
  | { readonly do: "pedal"; readonly effect: string };

/** A bank as the real box numbers it, counted from 1. */
export const bankNumber = (box: Pick<SoundBox, "firstBank">, bank: number): number =>
  box.firstBank + bank + 1;

/** An act as one word, for pedals and judging. @example nameOfAct({ do: "slot", slot: 2 }) // => "slot-2" */
export function nameOfAct(act: ToneAct): string {
  switch (act.do) {
    case "arm":
    case "bank":
      return `${act.do}-${act.bank}`;
    case "go":
      return "go";
    case "slot":
      return `slot-${act.slot}`;
    case "pedal":
      return `pedal-${act.effect}`;
  }
}

/** An act in the words on the pedals, counted from 1 as the real box counts. */
export function describeAct(act: ToneAct, box: Pick<SoundBox, "twoSwitches" | "firstBank">): string {
  const both = box.twoSwitches ? "both switches: " : "";
  switch (act.do) {
    case "arm":
      return `${both}arm bank ${bankNumber(box, act.bank)}`;
    case "bank":
      return `${both}bank ${bankNumber(box, act.bank)}`;
    case "go":
      return "go";
    case "slot":
      return `slot ${act.slot + 1}`;
    case "pedal":
      return act.effect;
  }
}
