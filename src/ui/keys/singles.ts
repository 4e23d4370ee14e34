import { createStore } from "zustand/vanilla";
import { actOf, type KeyPress } from "./combo";
import type { KeyAct, KeyPlace } from "./table";

const STORED = "lantern single keys";

function load(): boolean {
  try {
    return localStorage.getItem(STORED) !== "off";
  } catch {
    return true;
  }
}

/** Whether keys of one sign act, in this browser. Whoever speaks to the machine, or types by accident, can do without. */
export const singleKeys = createStore<boolean>(() => (typeof localStorage === "undefined" ? true : load()));

export function setSingleKeys(on: boolean): void {
  singleKeys.setState(on, true);
  try {
    localStorage.setItem(STORED, on ? "on" : "off");
  } catch {
    // It holds for this window then.
  }
}

/**
 * What a key press does in a place, as this browser has keys; null where it does nothing.
 * @example if (keyAct("sheet", event) === "carry") …
 */
export const keyAct = <Place extends KeyPlace>(place: Place, press: KeyPress): KeyAct<Place> | null =>
  actOf(place, press, singleKeys.getState());
