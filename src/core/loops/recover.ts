import type { LoopCase } from "./loop-case";
import { costOfPresses, maskOf, type Press, pressesBetween } from "./press";
import { type LoopWay, recordedTracks } from "./way";

/** The way back to the plan from a wrong state. */
export type Recovery = {
  /** The presses to the planned state of this section, at once. */
  readonly now: readonly Press[];
  /** The presses if one waits: to the state after the next boundary. */
  readonly atBoundary: { readonly before: string | null; readonly presses: readonly Press[] };
  /** The cheaper of the two; at a tie now. */
  readonly advice: "now" | "atBoundary";
};

/**
 * The fewest presses back, by foot cost.
 * @param section the index of the section in which one is
 * @param sounding the tracks that sound
 * @example recover(case, plan, 2, [0, 3])
 */
export function recover(
  asked: Pick<LoopCase, "sections" | "looper">,
  plan: Pick<LoopWay, "tracks" | "states">,
  section: number,
  sounding: readonly number[],
): Recovery {
  const recorded = recordedTracks(plan.tracks);
  const from = maskOf(sounding);
  const to = (index: number) => maskOf(plan.states[index] ?? []);
  const now = pressesBetween(from, to(section), recorded, asked.looper);
  const presses = pressesBetween(from, to(section + 1), recorded, asked.looper);
  const before = asked.sections[section + 1]?.id ?? null;
  const advice = costOfPresses(now) <= costOfPresses(presses) ? "now" : "atBoundary";
  return { now, atBoundary: { before, presses }, advice };
}
