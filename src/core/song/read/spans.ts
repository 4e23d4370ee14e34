import type { Ticks } from "../../../base";
import type { Use } from "../schema/sections";
import type { Passage, Timeline } from "./timeline";

/** A use of a section in time: from its downbeat to that of the next one. A pickup belongs to what comes before. */
export type UseSpan = {
  readonly use: Use;
  readonly label: string;
  readonly from: Ticks;
  readonly to: Ticks;
  readonly passages: readonly Passage[];
};

/** The uses of the form in time; one that takes no time is left out. */
export function spansOfForm(timeline: Pick<Timeline, "passages" | "ticks">): UseSpan[] {
  const groups: Passage[][] = [];
  for (const passage of timeline.passages) {
    const last = groups.at(-1);
    if (last?.[0]?.use.id === passage.use.id) last.push(passage);
    else groups.push([passage]);
  }
  const starts = groups.map(([first]) => first!.tick + first!.section.pickup);
  return groups.map((passages, at) => {
    const [first] = passages;
    const from = starts[at]!;
    const to = starts[at + 1] ?? timeline.ticks;
    return { use: first!.use, label: first!.label, from, to, passages };
  });
}
