export { BASS_WAYS, type BassWay, bassLine } from "./bass-line";
export {
  type CellStroke,
  cellOverShapes,
  type Followed,
  followChords,
  type HeldShape,
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
  type PlacedLine,
  type PlaceOptions,
  type PlaceProblem,
  type Placing,
  pitchesOfLine,
  placeLine,
  placings,
  quickestMs,
} from "./place";
export { type LineProblem, lineProblems } from "./problems";
export { sayLineProblem, sayPlaceProblem } from "./say-line";
