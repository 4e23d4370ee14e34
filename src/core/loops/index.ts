export * from "./box";
export {
  type Build,
  buildOf,
  COUNT_IN_BARS,
  type Later,
  LONGEST_BUILD_SECONDS,
  passesOf,
  secondsOfBars,
} from "./build";
export { type Clash, type Cut, clashOfChords } from "./clashes";
export type { BadPair } from "./grouping";
export {
  type ChordBeats,
  divides,
  LOOP_SCHOOLS,
  type LoopCase,
  type Looper,
  type LoopLayer,
  type LoopSchool,
  type LoopSection,
  MOST_LAYERS,
  WANTS,
  type Want,
  wantOf,
} from "./loop-case";
export * from "./of-song";
export { groupingProblem, type LoopPlan, type LoopProblem, planLoops, pressesThrough } from "./plan";
export {
  afterPress,
  bitsOf,
  costOfPress,
  costOfPresses,
  maskOf,
  type Pedal,
  type Press,
  pressesBetween,
  type Sounding,
} from "./press";
export { type Recovery, recover } from "./recover";
export { isPinsFault, pinnedApart, sayLoopProblem } from "./say-grouping";
export { type Run, runsOf, sectionBeats } from "./spans";
export { type LoopWay, type PlacedPress, recordedTracks, soundingBefore } from "./way";
