import type { StageRiff } from "@/core/stage";
import { TabLines } from "@/ui/TabLines";
import { withCounts } from "../../tab-words";

/** Frets alone: what is folded says where the hand goes, not how. */
const bare = (tab: StageRiff) => ({
  ...withCounts(tab, false),
  reads: "tab" as const,
  strokes: tab.strokes.map(() => null),
  fingers: tab.fingers.map(() => null),
});

/** The first bar of a line that comes next; in a hand there is no room for more than its first note. */
export function FoldedTab({ tab }: { tab: StageRiff }) {
  const first = tab?.notes[0];
  if (!first) return null;
  return (
    <>
      <div className="w-80 shrink-0 max-md:hidden">
        <TabLines line={bare(tab)} size="next" />
      </div>
      <span className="font-mono font-bold md:hidden">
        {tab.strings[first.string]} {first.fret}
      </span>
    </>
  );
}
