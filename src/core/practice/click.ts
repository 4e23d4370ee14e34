import type { Run } from "./run";

/** When the click is heard: on every beat, in half measure, between the beats only, or silent every other bar. */
export const CLICKS = ["none", "beats", "halves", "offbeats", "every other bar"] as const;
export type Click = (typeof CLICKS)[number];

/** A click: whether it is the first of its bar. */
export type ClickAt = { readonly ms: number; readonly first: boolean };

/** The count-in: every beat that is counted; a pickup comes on the last of them. */
export const countIn = ({
  countMs,
  beatMs,
  beatsInBar,
}: Pick<Run, "countMs" | "beatMs" | "beatsInBar">): ClickAt[] =>
  Array.from({ length: Math.ceil(countMs / beatMs - 1e-9) }, (_, beat) => ({
    ms: beat * beatMs,
    first: beat % beatsInBar === 0,
  }));

/**
 * The click of one round, ms from its begin.
 * @example clicksOfRun(run, "offbeats")[0].ms // => half a beat
 */
export function clicksOfRun(run: Run, click: Click): ClickAt[] {
  if (click === "none") return [];
  let bar = 0;
  return run.pieces.flatMap(({ passage, from, to, ms, msPerTick }): ClickAt[] => {
    const { bars, beat, bar: length, ticks } = run.passages[passage]!;
    const begin = run.begins[passage]!;
    return bars.flatMap((line, at): ClickAt[] => {
      const end = bars[at + 1] ?? ticks;
      const isSilent = click === "every other bar" && bar % 2 === 1;
      const isInside = begin + line >= from && begin + line < to;
      if (isInside) bar++;
      if (isSilent) return [];
      const beats = Math.ceil((Math.min(end, line + length) - line) / beat - 1e-9);
      return Array.from({ length: beats }, (_, index) => index).flatMap((index): ClickAt[] => {
        if (click === "halves" && index % 2 === 1) return [];
        const tick = begin + line + index * beat + (click === "offbeats" ? beat / 2 : 0);
        if (tick < from || tick >= Math.min(to, begin + end)) return [];
        return [{ ms: ms + (tick - from) * msPerTick, first: index === 0 && click !== "offbeats" }];
      });
    });
  });
}
