export { type BandSheet, bandSheet, type SheetRow } from "./band-sheet";
export { FILL_WORDS, lineRounds, lineSpans, tellFill } from "./line-place";
export { type FollowWay, followWays, type LineFollow } from "./moved-line";
export { onsetsInBar, patternOfRow } from "./pattern-of";
export {
  isOnlyLine,
  picks,
  playsInBar,
  roleInBar,
  type SheetPart,
  sweeps,
} from "./sheet-part";
