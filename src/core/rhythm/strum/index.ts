export { comparePatterns, type MeetingProblem, meetOnsets, type RhythmMeeting } from "./compare";
export { countsOf } from "./counts";
export { ANCHORS, type Anchor, type ChordSpan, type FittedStroke, fitPattern } from "./fit";
export { type Gate, type GateProblem, gateSpans, readGate } from "./gate";
export { type LibraryPattern, patternOf, STRUM_LIBRARY } from "./library";
export {
  MOST_SWINGS_A_SECOND,
  type Pace,
  paceOf,
  paceOfPattern,
  STROKE_HABITS,
  type StrokeHabit,
} from "./pace";
export {
  barsOfPattern,
  EVEN,
  formatStrokes,
  isCompound,
  isOnset,
  MOST_SWING,
  onsetsOf,
  PATTERN_KINDS,
  type Pattern,
  type PatternKind,
  type PatternProblem,
  PICK_FINGERS,
  type PickFinger,
  readPattern,
  type Stroke,
  SUBDIVISIONS,
  type Subdivision,
  strokeTicks,
  ticksOfPattern,
  type Weight,
  weightOf,
  ZONES,
  type Zone,
} from "./pattern";
export { sayGateProblem, sayMeeting, sayPatternProblem, saySpokenProblem } from "./say-strum";
export { readCounts, readSpoken, type SpokenProblem } from "./spoken";
export { patternFromTaps, type Tap, type TapProblem, type TappedPattern } from "./taps";
