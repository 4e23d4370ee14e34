import { useLayoutEffect, useRef, useState } from "react";
import {
  type FeetState,
  type FeetTruth,
  feetAsPlanned,
  feetPlace,
  fitsFeet,
  followFeet,
  type LiveItem,
  type Place,
  type StageFeet,
  tellFeet,
} from "@/core/stage";
import type { StageLine } from "./stage-line";

export type Feet = { readonly state: FeetState; readonly tell: (truth: FeetTruth) => void };

/** What this player's feet have done and do next, planned anew with every look at the clock from where they really are. */
export function useFeet(
  line: StageLine,
  item: LiveItem,
  place: Place,
  stretch: number,
  feet: StageFeet,
): Feet {
  const [, redraw] = useState(0);
  const at = feetPlace(item.passages, place, stretch, line.now());
  const known = line.feetIn(item.id);
  const moved = useRef<unknown>(null);
  const from = performance.now();
  const state = known && fitsFeet(feet, known) ? followFeet(feet, known, at) : feetAsPlanned(feet, at);
  // How long planning takes after a live move can be read in the browser's own tools.
  if (moved.current !== line.moved) performance.measure("plan feet", { start: from, end: performance.now() });
  // With the drawing: kept after it, what was true before a touch would be kept over what the touch said.
  useLayoutEffect(() => {
    moved.current = line.moved;
    line.keepFeet(item.id, state);
  });
  const tell = (truth: FeetTruth) => {
    line.keepFeet(item.id, tellFeet(feet, state, truth, at));
    redraw((count) => count + 1);
  };
  return { state, tell };
}
