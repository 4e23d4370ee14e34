export { alsoCalled } from "./also-called";
export * from "./band";
export * from "./band-sum";
export { type ChordPair, compareGuitars, type GuitarComparison } from "./compare-guitars";
export * from "./findings";
export { boxFor, joinCold, type OneChord } from "./join-cold";
export { type HandStep, type OneHand, oneHand } from "./one-hand";
export { type PartChord, type PartPassage, type PlayerPart, playerPart } from "./player-part";
export { type Raised, raisedPassages, restBefore } from "./raised";
export { sayPart } from "./say-part";
export { chordsOfRow, type SectionChord, scaleOfRow } from "./section-chords";
export { type ListedChange, type ListedShape, listChanges, listShapes } from "./shape-list";
export {
  behindCapo,
  chosenAs,
  type PlanEvent,
  type PlannedRun,
  type PlanRequest,
  type PlanRun,
  planRequest,
  planShapes,
  type ShapePlan,
  shapesOfPlan,
} from "./shape-plan";
export {
  type HandRequest,
  handKey,
  handOf,
  optionsOf,
  requestKey,
  type Shape,
  type ShapeRequest,
  scaleMmOf,
  shapeAt,
} from "./shapes";
export {
  cellFieldsOf,
  lightOf,
  OUT_CELL,
  type Proposal,
  proposalChanges,
  proposalDifferences,
  SCHOOLS,
  type School,
  SONG_WEIGHTS,
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitCell,
  type SplitGrid,
  type SplitPlayer,
  type SplitSection,
  type SplitTerm,
  type SplitWeights,
  scoreOf,
  sharedOnsets,
  sharedSemitones,
  splitBy,
  splitCaseOf,
  splitSong,
  type Taken,
  termsOf,
} from "./split";
