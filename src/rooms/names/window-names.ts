import { createStore } from "zustand/vanilla";
import { type NamesChoice, OWN_NAMES } from "@/core/song/names";
import { readChoice } from "./query";

/** Under this name a window keeps how names are told in it, for as long as it is open. */
const KEPT_AS = "shared-lantern names";

/** How names are told in this window. It begins with each their own, so that a page drawn by the server is the same. */
export const windowNames = createStore<NamesChoice>(() => OWN_NAMES);

/** Chooses how names are told in this window, in every room of every song. */
export function chooseNames(choice: Partial<NamesChoice>): void {
  windowNames.setState(choice);
  try {
    sessionStorage.setItem(KEPT_AS, JSON.stringify(windowNames.getState()));
  } catch {
    // A window that may keep nothing tells names so until it is loaded again.
  }
}

/** Takes up what this window kept. */
function takeUp(): void {
  try {
    const kept = sessionStorage.getItem(KEPT_AS);
    if (kept !== null) windowNames.setState(readChoice(JSON.parse(kept)));
  } catch {
    // What can't be read is as if nothing was chosen.
  }
}
if (typeof window !== "undefined") takeUp();
