export { type BarRanges, barsIn, tickOfBar, ticksOfRange } from "./bar-ranges";
export { describeBarsProblem, formatBars, readBars, wordsIn } from "./bars-text";
export { findChoice, type ShapeSpot, spotOf } from "./choices";
export { describeException, describeShared, describeUse, TIMES_WORDS } from "./describe-exception";
export { usualTuning } from "./instruments";
export { keysOf } from "./keys";
export { describeForm, nearestForm, readForm } from "./known-forms";
export { type ChordEvent, MARKS, marksPlayed, type TimedLine } from "./lay-out";
export { isPlayed, linesPlayed } from "./layout";
export { type LinePlace, linesLike, type PlacedRow, placeRows } from "./like-lines";
export { type MelodyNote, oneVoice, rangeOfMelody, readMelody, writeMelody } from "./melody";
export { describeOddLengths, oddLengths } from "./odd-lengths";
export {
  exceptionsAt,
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
  outlineOf,
} from "./outline";
export { placeNames } from "./place-names";
export { playedOtherwise } from "./played-otherwise";
export { describeEntranceProblem, formatEntrances, readEntrances } from "./read-entrance";
export { describeSaid, type ExceptionSaid, readException } from "./read-exception";
export {
  barsAt,
  type CellIndex,
  cellKey,
  type Inherited,
  indexCells,
  isOut,
  type ResolvedCell,
  resolveCell,
} from "./resolve-cells";
export { neckOfRiff, notesOfRiff } from "./riffs";
export { capoNote, sheetCapo } from "./sheet-capo";
export { type Note, type Notes, notesOf } from "./sheet-notes";
export { chordMarks, foldText, parseShelfQuery, titleKeyOf } from "./shelf-query";
export { sketchOf } from "./sketch";
export { playedSymbols, songLength } from "./song-length";
export { spansOfForm, type UseSpan } from "./spans";
export { hasStrings, tuningOf } from "./strings";
export { areEndsSung } from "./sung-ends";
export type { StrokePlaced, SungPiece } from "./sung-piece";
export { lineSyllables } from "./syllables";
export {
  type Grid,
  gridOnsets,
  type StringPart,
  stringsOfPart,
  TECHNIQUES,
  type Technique,
  techniqueOf,
  techniquesFor,
  techniquesOf,
} from "./techniques";
export {
  beatUnitOfUse,
  meterOf,
  meterOfUse,
  type Passage,
  passageSum,
  playsOf,
  sectionSum,
  sectionSums,
  type Timeline,
  timedChords,
  timelineOf,
  versionRow,
} from "./timeline";
export {
  describeKeyFit,
  type KeyFit,
  keyFits,
  melodyShift,
  type PitchRange,
  reachOf,
  type SungPlace,
  sungPlaces,
  writtenRange,
} from "./vocal-range";
