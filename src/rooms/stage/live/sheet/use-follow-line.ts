import { type RefObject, useEffect, useMemo } from "react";
import type { SheetView } from "@/core/song/schema";
import type { StageSheet } from "@/core/stage";
import { isTabSheet } from "../../sheet-view";

/** Keeps the line, or the row of tab, that is played in sight, with the next one below it. */
export function useFollowLine(
  box: RefObject<HTMLElement | null>,
  sheet: StageSheet,
  view: SheetView,
  tick: number | null,
): void {
  // Where the next line or row begins only: between two of them nothing moves.
  const rows = useMemo(
    () => (isTabSheet(sheet, view) ? sheet.line.bars : sheet.lines.map(({ starts }) => starts[0] ?? 0)),
    [sheet, view],
  );
  const reached = tick === null ? -1 : rows.findLastIndex((from) => from <= tick + 1);
  useEffect(() => {
    const frame = box.current;
    if (!frame || reached < 0) return;
    const lines = [...frame.querySelectorAll<HTMLElement>(".stage-line")].filter(
      (line) => line.offsetParent !== null,
    );
    const at = lines.findLastIndex((line) => Number(line.dataset.from) <= rows[reached]! + 1);
    const here = lines[at];
    if (!here) return;
    const below = (lines[at + 1] ?? here).getBoundingClientRect().bottom;
    const { top, bottom } = frame.getBoundingClientRect();
    if (below <= bottom + 2 && here.getBoundingClientRect().top >= top - 2) return;
    // As many lines before it as there is room for, the first of them whole.
    const first = lines.find((line) => below - line.getBoundingClientRect().top <= bottom - top) ?? here;
    frame.scrollTo(0, (first.offsetTop < here.offsetTop ? first : here).offsetTop - frame.offsetTop);
  }, [box, rows, reached]);
}
