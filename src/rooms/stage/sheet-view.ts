import type { SheetView } from "@/core/song/schema";
import type { StageRiff, StageSheet } from "@/core/stage";

/** Whether a part has chords and a line, so that one may be left away. */
export const hasBoth = (sheet: StageSheet): boolean => sheet.line !== null && sheet.shapes.length > 0;

/** Whether the tab of a line is the sheet: where it is all of the part, and where it is asked for. */
export const isTabSheet = (
  sheet: StageSheet,
  view: SheetView,
): sheet is StageSheet & { readonly line: StageRiff } =>
  sheet.line !== null && (sheet.shapes.length === 0 || view !== "chords");

/** Whether shapes stand beside it. */
export const hasShapes = (sheet: StageSheet, view: SheetView): boolean =>
  sheet.shapes.length > 0 && !(hasBoth(sheet) && view === "line");
