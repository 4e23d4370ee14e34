import type { BoxPedal } from "@/core/loops";
import { DOUBLE_MS, HOLD_MS } from "./move-pedals";

/** A control going down or up, or time that has passed. All stamps are ms of one clock. */
export type ControlEvent =
  | { readonly kind: "down" | "up"; readonly control: string; readonly stamp: number }
  | { readonly kind: "time"; readonly stamp: number };

/** A press that is not over yet: it may become a double one, or be held. */
export type Telling = {
  readonly control: string;
  readonly stamp: number;
  readonly isDown: boolean;
} | null;

type ToldPress = { readonly control: string; readonly way: BoxPedal["way"] };

/** When it will be known what a press is, ms; null when none is going on. */
export const nextTold = (telling: Telling): number | null =>
  telling && telling.stamp + (telling.isDown ? HOLD_MS : DOUBLE_MS);

/**
 * Tells how a control is pressed: once, twice quickly, or held. What is known only once time has passed, is told then.
 * @example tellPress({ control: "key 1", stamp: 0, isDown: false }, { kind: "time", stamp: 400 }) // => told once
 */
export function tellPress(
  telling: Telling,
  event: ControlEvent,
): { readonly telling: Telling; readonly told: ToldPress | null } {
  const due = nextTold(telling);
  if (telling && due !== null && event.stamp >= due) {
    const told: ToldPress = { control: telling.control, way: telling.isDown ? "hold" : "press" };
    // What comes after it begins anew: a release of what was held, or a press of its own.
    const after = event.kind === "down" ? begun(event) : null;
    return { telling: after, told };
  }
  switch (event.kind) {
    case "time":
      return { telling, told: null };
    case "up":
      return {
        telling: telling?.control === event.control ? { ...telling, isDown: false } : telling,
        told: null,
      };
    case "down":
      return telling?.control === event.control && !telling.isDown
        ? { telling: null, told: { control: event.control, way: "double" } }
        : { telling: begun(event), told: null };
  }
}

const begun = ({ control, stamp }: { readonly control: string; readonly stamp: number }): Telling => ({
  control,
  stamp,
  isDown: true,
});
