export { alsoCalled } from "./also-called";
export {
  ARCS,
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type Arc,
  type ArrangeCase,
  type ArrangeCell,
  type Arrangement,
  type ArrangeSchool,
  type ArrangeUse,
  type ArrangeWeights,
  arrange,
  arrangeCaseOf,
  arrangedPlayers,
  arrangementDifferences,
  type ContrastOffer,
  contrastsOf,
  dropBefore,
  heldLimits,
  IDEAS,
  ideaOf,
  isHeld,
  isIdea,
  LIMIT_RULES,
  type Limit,
  type LimitRule,
  learn,
  type OtherIdea,
  type Overlap,
  otherIdeas,
  overlapOf,
  rescored,
  sumsOf,
  type TakenCells,
  takeArrangement,
  tastesOf,
  tellArrangement,
  tellCell,
  tellIdea,
  tellTaste,
  withCell,
} from "./arrange";
export * from "./band";
export * from "./band-sum";
export { type ChosenShape, handName, shapesChosen } from "./chosen-shapes";
export { guestOf, withGuest } from "./cold-guest";
export { compareGuitars, type GuitarComparison } from "./compare-guitars";
export { describePart } from "./describe-part";
export * from "./findings";
export {
  comesBack,
  fittingNotes,
  joinCold,
  type OneChord,
  type SungChords,
  sungChords,
  tellCounted,
} from "./join-cold";
export { leaveTo } from "./leave-to";
export { type LineFor, lineFor } from "./line-for";
export { lineStrokes } from "./line-strokes";
export { lineToAdd } from "./new-line";
export { oneHand } from "./one-hand";
export { oneHandLine } from "./one-hand-line";
export { ONLOOKER } from "./onlooker";
export { judgeOwnShape, type OwnShape, toneWords } from "./own-shape";
export { behindCapo, type PlanRequest, planRequest } from "./plan-request";
export {
  type ChordHeard,
  chordsHeard,
  type PatternUse,
  playedNotes,
  playedStrokes,
  signOfStroke,
} from "./played-strokes";
export { type PlayerPart, playerPart } from "./player-part";
export { type Raised, raisedPassages } from "./raised";
export { chordsOfRow, scaleOfRow } from "./section-chords";
export { hasShape, keptShapes, keyInBook, placeInBook, shapeIdentity } from "./shape-book";
export { hardestShape, type ListedChange, type ListedShape, listChanges, listShapes } from "./shape-list";
export { neighboursOf, planShapes, type ShapePlan, shapesOfPlan, usualShapes } from "./shape-plan";
export {
  ANY_SHAPE,
  handOf,
  OFFERED,
  optionsOf,
  requestKey,
  type ShapeRequest,
  type ShapeWish,
  scaleMmOf,
  shapeAt,
  shapeQuestion,
} from "./shapes";
export { playedIn, silenceOf } from "./silence";
export {
  SCHOOLS,
  SONG_WEIGHTS,
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitPlayer,
  type SplitSection,
  type SplitWeights,
  sharedSemitones,
  splitBy,
  splitCaseOf,
} from "./split";
export { patternOfPart } from "./technique-pattern";
