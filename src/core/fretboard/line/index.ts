export { BASS_WAYS, type BassWay, bassLine } from "./bass-line";
export {
  CHORD_LINES,
  type ChordLineKind,
  chordLine,
  type LineTone,
} from "./chord-line";
export { copyBars, describeCopyProblem } from "./copy-bars";
export { describeLineProblem, describePlaceProblem } from "./describe-line";
export {
  cellOverShapes,
  followChords,
} from "./follow";
export { type ChordUnder, fitsOf, type NoteFit } from "./judge-line";
export { type LineFinger, lineFingers } from "./line-fingers";
export {
  type LineWayName,
  type Movable,
  moveLine,
} from "./move-line";
export {
  heardPitch,
  inOrder,
  isForRound,
  type LineNeck,
  NOTE_ARTS,
  NOTE_TIMES,
  type NoteArt,
  type NoteTimes,
  notesOfRound,
  PLAIN_NOTE,
  rangeOfLine,
  stoppedPitch,
  type TabNote,
} from "./note";
export {
  measured,
  pitchesOfLine,
  placeLine,
  placings,
  quickestMs,
} from "./place-line";
export { type LineProblem, lineProblems } from "./problems";
export { NOTE_STROKES, type NoteStroke, strokesOfLine } from "./strokes";
