export { type BandSheet, bandSheet, type SheetRow } from "./band-sheet";
export { barsOfTicks, placedNotes } from "./line-notes";
export { FILL_WORDS, lineRounds, lineSpans, tellFill } from "./line-place";
export { type FollowWay, followWays, type LineFollow } from "./moved-line";
export { chordsOfPassage, type SectionChord } from "./passage-chords";
export { onsetsInBar, patternOfRow } from "./pattern-of";
export { isOnRoots } from "./root-line";
export {
  isOnlyLine,
  picks,
  playsInBar,
  roleInBar,
  type SheetPart,
  sweeps,
} from "./sheet-part";
export { holdsOf, writtenTime } from "./written-time";
