export { kindOfLabel } from "./heading";
export { readChordText } from "./read";
export { saySheetProblem } from "./say-problem";
export {
  type ChordSheet,
  LONGEST_SHEET,
  type SheetChord,
  type SheetLine,
  type SheetProblem,
  type SheetSection,
} from "./sheet";
