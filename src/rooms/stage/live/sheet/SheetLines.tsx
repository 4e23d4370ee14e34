import { memo, Suspense } from "react";
import type { SheetView } from "@/core/song/schema";
import type { StageSheet } from "@/core/stage";
import { SungLine } from "@/ui/SungLine";
import { pieceAt } from "../../piece-at";
import { hasShapes, isTabSheet } from "../../sheet-view";
import { TabSheet } from "../seldom";

/** A line that is drawn anew only when the chord that sounds in it changes: with every beat all others stay as they are. */
const StageSungLine = memo(SungLine);

/**
 * The lines of a section.
 * @param tick where the music is, in ticks of the passage: the chord that sounds is lit; null marks none
 */
export function SheetLines({
  sheet,
  beatsInBar,
  view,
  counts,
  tick,
}: {
  sheet: StageSheet;
  beatsInBar: number;
  view: SheetView;
  /** Whether what is counted stands above the strings of tab. */
  counts: boolean;
  tick: number | null;
}) {
  if (isTabSheet(sheet, view))
    return (
      <Suspense fallback={null}>
        <TabSheet sheet={sheet} isBeside={hasShapes(sheet, view)} counts={counts} tick={tick} />
      </Suspense>
    );
  if (sheet.lines.length === 0) return <p className="stage-line">No lines in this section.</p>;
  const now = tick === null ? null : pieceAt(sheet, tick);
  return sheet.lines.map((line, at) => (
    <StageSungLine
      key={line.id}
      className="stage-line"
      from={line.starts[0] ?? 0}
      pieces={line.pieces}
      beatsInBar={beatsInBar}
      now={now?.line === at ? now.piece : null}
    />
  ));
}
