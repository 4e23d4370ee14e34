import { playedIn, type playerPart } from "@/core/parts";
import { barsIn, type Passage } from "@/core/song/read";
import type { StageWait } from "@/core/stage";

/**
 * How many bars a player waits from the begin of each time through a section until they come in; null where they play
 * from its first bar, and where they do not come in any more.
 */
export function entriesOf(
  passages: ReturnType<typeof playerPart>["passages"],
): ReadonlyMap<Passage, StageWait> {
  const found = new Map<Passage, StageWait>();
  let next: StageWait | null = null;
  for (const one of passages.toReversed()) {
    const { passage } = one;
    const [first] = playedIn(one);
    const bars = barsIn(passage).length;
    if (first) next = { bars: first[0], label: passage.label };
    else if (next) next = { bars: next.bars + bars, label: next.label };
    if (next && next.bars > 0) found.set(passage, next);
  }
  return found;
}
