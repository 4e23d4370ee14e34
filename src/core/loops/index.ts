export * from "./box";
export { type Build, buildOf, type Later } from "./build";
export type { Clash, Cut } from "./clashes";
export {
  type ChordBeats,
  type LoopCase,
  type Looper,
  type LoopLayer,
  type LoopSchool,
  type LoopSection,
  MOST_LAYERS,
  type Want,
  wantOf,
} from "./loop-case";
export * from "./of-song";
export { type LoopPlan, type LoopProblem, planLoops } from "./plan";
export {
  bitsOf,
  costOfPresses,
  maskOf,
  type Press,
  pressesBetween,
} from "./press";
export { type Recovery, recover } from "./recover";
export { sayLoopProblem } from "./say-grouping";
export { sectionBeats } from "./spans";
export { type LoopWay, type PlacedPress, recordedTracks, soundingBefore, wrongLayers } from "./way";
