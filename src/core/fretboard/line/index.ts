export { BASS_WAYS, type BassWay, bassLine } from "./bass-line";
export { describeLineProblem, describePlaceProblem } from "./describe-line";
export {
  cellOverShapes,
  followChords,
} from "./follow";
export { type ChordUnder, fitsOf, type NoteFit } from "./judge";
export {
  heardPitch,
  inOrder,
  type LineNeck,
  NOTE_ARTS,
  type NoteArt,
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
} from "./place";
export { type LineProblem, lineProblems } from "./problems";
