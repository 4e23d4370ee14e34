import { type BackStep, describePress } from "@/core/loops";
import { tellBars } from "@/core/song/moments";
import { pedalsNamed } from "./pedal-of";
import type { ShownPlan } from "./use-loops";

/** When a step of the way back is made. @example "at bar 5 of Verse 2" */
function tellWhen({ song }: Pick<ShownPlan, "song">, { section, bar }: BackStep): string {
  const piece = song.pieces[section];
  if (bar === null) return "now";
  if (!piece) return "at the end";
  const isHead = bar === 0 && piece.bar === 1;
  return isHead
    ? `where ${piece.span.label} begins`
    : `at ${tellBars(String(piece.bar + bar), piece.span.label)}`;
}

/**
 * The way back in sentences, press by press: when, which pedal, and what it does.
 * @param here the piece of the song that is now
 * @example tellWayBack(shown, 3, steps) // => ["Leave it; at bar 5 of Verse 2 press “All”: all in."]
 */
export function tellWayBack(
  shown: Pick<ShownPlan, "song">,
  here: number,
  steps: readonly BackStep[],
): string[] {
  const { song } = shown;
  const next = song.pieces[here + 1]?.span.label;
  if (steps.length === 0)
    return [
      `Leave it: it comes right by itself ${next === undefined ? "at the end" : `where ${next} begins`}.`,
    ];
  return steps.map((step, at) => {
    const told = `press ${pedalsNamed(song.box, step.press)}: ${describePress(step.press)}.`;
    const when = tellWhen(shown, step);
    if (at > 0) return `Then, ${when}, ${told}`;
    return step.bar === null ? `Now ${told}` : `Leave it; ${when} ${told}`;
  });
}
