import { useEffect, useState } from "react";
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
import type { LiveLine } from "./live-line";

export type Feet = { readonly state: FeetState; readonly tell: (truth: FeetTruth) => void };

/**
 * What this player's feet have done and do next, planned anew with every look at the clock from where they really are.
 * @returns null for a player without a described box
 */
export function useFeet(
  line: LiveLine,
  item: LiveItem | null,
  place: Place | null,
  stretch: number,
  feet: StageFeet | null,
): Feet | null {
  const [, redraw] = useState(0);
  const at = item && place && feetPlace(item.passages, place, stretch, line.now());
  const known = item && line.feetIn(item.id);
  const state =
    feet && at && (known && fitsFeet(feet, known) ? followFeet(feet, known, at) : feetAsPlanned(feet, at));
  useEffect(() => {
    if (item && state) line.keepFeet(item.id, state);
  });
  if (!feet || !item || !at || !state) return null;
  const tell = (truth: FeetTruth) => {
    line.keepFeet(item.id, tellFeet(feet, state, truth, at));
    redraw((count) => count + 1);
  };
  return { state, tell };
}
