import { memo, useMemo } from "react";
import type { StageRiff, StageSheet } from "@/core/stage";
import { TabLines } from "@/ui/TabLines";
import { chordsOf, withCounts, wordsOf } from "../../tab-words";

/** A row of tab that is drawn anew only when the beat in it changes. */
const StageTab = memo(TabLines);

/** The line of a section as wide as the screen, chords over its bars and what is sung below. */
export function TabSheet({
  sheet,
  isBeside,
  counts,
  tick,
}: {
  sheet: StageSheet & { readonly line: StageRiff };
  /** Whether shapes stand beside it. */
  isBeside: boolean;
  counts: boolean;
  tick: number | null;
}) {
  const over = useMemo(() => chordsOf(sheet), [sheet]);
  const under = useMemo(() => wordsOf(sheet), [sheet]);
  // Drawn anew once a beat, not with every look at the clock.
  const { line } = sheet;
  const [first] = line.bars;
  const beats = tick === null ? 0 : Math.floor((tick - (first ?? 0)) / line.beat);
  const now = tick === null ? null : (first ?? 0) + beats * line.beat;
  const own = useMemo(() => withCounts(line, counts), [line, counts]);
  const shown = { line: own, over, under, now, rowClass: "stage-line tab-row" };
  return (
    <>
      <div className="max-md:hidden">
        <StageTab {...shown} size={isBeside ? "beside" : "stage"} />
      </div>
      <div className="md:hidden">
        <StageTab {...shown} size="phone" />
      </div>
    </>
  );
}
