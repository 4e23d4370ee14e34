export { type BandSheet, bandSheet, type SheetRow } from "./band-sheet";
export { onsetsInBar, patternOfRow } from "./pattern-of";
export {
  isOnlyLine,
  type PartSource,
  partSource,
  picks,
  playsInBar,
  roleInBar,
  type SheetPart,
  sheetPart,
  sweeps,
} from "./sheet-part";
