import type { LoopBox } from "@/core/song/schema";

/** Which pedal does an act, and how: pressed, twice, or held. */
export function pedalOf(
  box: Pick<LoopBox, "pedals">,
  act: string,
): { readonly at: number; readonly how: string } | null {
  for (const [way, how] of [
    ["press", ""],
    ["double", ", twice"],
    ["hold", ", held"],
  ] as const) {
    const at = box.pedals.findIndex((pedal) => pedal[way] === act);
    if (at >= 0) return { at, how };
  }
  return null;
}
