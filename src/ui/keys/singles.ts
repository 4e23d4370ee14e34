import { createStore } from "zustand/vanilla";

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
