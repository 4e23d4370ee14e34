import type { Ticks } from "../../base";
import type { Place } from "./place";
import { idOfUse, type LivePassage } from "./score";

/**
 * Where the bar that is now begins, as a cue of one's own is kept: ticks from the start of its use, all its rounds together.
 * @example barInUse(passages, place) // => { useId: "u1", tick: 7680 }
 */
export function barInUse(
  passages: readonly LivePassage[],
  place: Pick<Place, "index" | "tick">,
): { readonly useId: string; readonly tick: Ticks } {
  const here = passages[place.index]!;
  const useId = idOfUse(here.id);
  const rounds = passages.slice(0, place.index).filter(({ id }) => idOfUse(id) === useId);
  const reached = Math.min(place.tick, here.ticks - 1) + 1e-6 * here.beat;
  const bar = here.bars.findLast((start) => start <= reached) ?? 0;
  return { useId, tick: rounds.reduce((sum, { ticks }) => sum + ticks, 0) + bar };
}

/**
 * The bar that is now as moments count it: from where the section begins. 0 is its pickup.
 * @example barInSection(passages, place) // => { bar: 3, bars: 8, label: "Chorus" }
 */
export function barInSection(
  passages: readonly LivePassage[],
  place: Pick<Place, "index" | "bar">,
): { readonly bar: number; readonly bars: number; readonly label: string } {
  const here = passages[place.index];
  return {
    bar: Math.max(0, place.bar - (here?.firstBar ?? 1) + 1),
    bars: here?.bars.length ?? 0,
    label: here?.label ?? "",
  };
}
