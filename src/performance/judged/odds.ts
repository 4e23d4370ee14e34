import { type LoopRun, PRESS_PLACES } from "@/core/song/schema";
import type { DuePress } from "./judge";

/** How often presses of each kind were right: place at the boundary, while singing or not. */
export type PressOdds = (place: DuePress["place"], sung: boolean) => number;

/**
 * Odds of a right press from the log, each kind with one right and one wrong press added, so that few runs promise
 * little (the rule of succession).
 */
export function oddsOf(runs: readonly Pick<LoopRun, "presses">[]): PressOdds {
  const counts = new Map<string, { right: number; all: number }>();
  for (const place of PRESS_PLACES)
    for (const sung of [true, false]) counts.set(`${place} ${sung}`, { right: 0, all: 0 });
  for (const { judged, place, sung } of runs.flatMap(({ presses }) => presses)) {
    const count = counts.get(`${place} ${sung}`)!;
    count.all++;
    if (judged === "right") count.right++;
  }
  return (place, sung) => {
    const { right, all } = counts.get(`${place} ${sung}`)!;
    return (right + 1) / (all + 2);
  };
}

/** The chance that every press that is due is right, presses taken as independent. */
export const chanceOf = (due: readonly Pick<DuePress, "place" | "sung">[], odds: PressOdds): number =>
  due.reduce((chance, { place, sung }) => chance * odds(place, sung), 1);
