export { comparePatterns, type RhythmMeeting } from "./compare-strums";
export { countsOf } from "./counts";
export {
  describeGateProblem,
  describeMeeting,
  describeMeetingProblem,
  describePatternProblem,
  describeSaidProblem,
  describeSpokenProblem,
} from "./describe-strum";
export { type DrawnPattern, type DrawnRow, drawnPattern, drawnRow } from "./drawn";
export { halvesOf, placeInBars } from "./drawn-bars";
export { ANCHORS, type Anchor, type ChordSpan, type FittedStroke, fitPattern } from "./fit";
export { gateSpans, readGate } from "./gate";
export { describeJoinProblem, joinPatterns, throughBars } from "./join-patterns";
export { type LibraryPattern, patternOf, STRUM_LIBRARY } from "./library";
export {
  paceOf,
  paceOfPattern,
} from "./pace";
export {
  EVEN,
  FREE_WORDS,
  isCompound,
  isOnset,
  MOST_SWING,
  PATTERN_KINDS,
  type Pattern,
  type PatternKind,
  type PickFinger,
  PLAIN_WEIGHT,
  type Stroke,
  SUBDIVISIONS,
  type Subdivision,
  type Weight,
  weightOf,
  type Zone,
} from "./pattern";
export { readAloud } from "./read-aloud";
export {
  byTurns,
  downDownUp,
  readSaidPatterns,
  type SaidPattern,
  type SaidPatternProblem,
  STRUM_FEELS,
  type StrumFeel,
} from "./said-patterns";
export { readCounts, readSpoken } from "./spoken";
export { strokeAt } from "./stroke-at";
export { signedBars } from "./strum-signs";
export { patternFromTaps, type Tap } from "./taps";
export { barsOfPattern, onsetsOf, strokeBeats, strokeTicks, ticksOfPattern } from "./times";
export { formatStrokes, type PatternProblem, readPattern } from "./written";
