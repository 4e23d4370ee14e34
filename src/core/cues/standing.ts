import { LIGHT_WORDS } from "../song/schema";
import type { CueKind } from "./cue";

/** How a part stands in a section, as far as its player must know of a change. */
export type Standing = {
  readonly out: boolean;
  readonly light: number;
  readonly way: string;
  readonly capo: number;
  readonly sound: string;
};

/** What a hand does otherwise from a section on. */
export type HandCue = {
  readonly kind: Extract<CueKind, "in" | "out" | "light" | "way" | "capo" | "sound">;
  readonly text: string;
};

const HAND_KINDS: ReadonlySet<CueKind> = new Set(["in", "out", "light", "way", "capo", "sound"]);

/** Whether a cue follows from how a part stood before. */
export const isHandCue = (kind: CueKind): boolean => HAND_KINDS.has(kind);

/**
 * What a player does otherwise than before.
 * @param before how they stood, whichever section that was; null at the begin
 * @param entersLate whether they come in after the first bar, which is told there
 * @example handCues({ ...standing, capo: 0 }, { ...standing, capo: 2 }, false) // => [{ kind: "capo", text: "capo to 2" }]
 */
export function handCues(before: Standing | null, now: Standing, entersLate: boolean): HandCue[] {
  if (now.out) {
    if (!before) return [{ kind: "out", text: "wait" }];
    return before.out ? [] : [{ kind: "out", text: "stay out" }];
  }
  const cues: HandCue[] = [];
  if (before?.out && !entersLate) cues.push({ kind: "in", text: `come in, ${LIGHT_WORDS[now.light]}` });
  if (before && !before.out && before.light !== now.light) {
    const way = now.light > before.light ? "up" : "down";
    cues.push({
      kind: "light",
      text: `${way} to ${LIGHT_WORDS[now.light]}, from ${LIGHT_WORDS[before.light]}`,
    });
  }
  if (now.way !== "" && before?.way !== now.way) cues.push({ kind: "way", text: now.way });
  if (before && before.capo !== now.capo)
    cues.push({ kind: "capo", text: now.capo === 0 ? "capo off" : `capo to ${now.capo}` });
  if (now.sound !== "" && before?.sound !== now.sound)
    cues.push({ kind: "sound", text: `sound “${now.sound}”` });
  return cues;
}

/** How a player stands after a section: who is out keeps capo and sound. */
export const standingAfter = (before: Standing | null, now: Standing): Standing =>
  now.out ? { ...now, capo: before?.capo ?? now.capo, sound: before?.sound ?? "" } : now;
