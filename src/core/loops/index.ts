export * from "./box";
export { buildOf } from "./build";
export {
  CLEAN_SECONDS,
  driftInside,
  type FirstTake,
  judgeTake,
  priceOfAgain,
  type Take,
  type TakeVerdict,
  tellDrift,
  tellTake,
} from "./build-takes";
export { describeLoopProblem } from "./describe-grouping";
export {
  type ChordBeats,
  type LoopCase,
  type Looper,
  type LoopLayer,
  type LoopSchool,
  type LoopSection,
  MOST_LAYERS,
  type Want,
} from "./loop-case";
export * from "./of-song";
export { type LoopPlan, type LoopProblem, planLoops } from "./plan";
export {
  afterPress,
  bitsOf,
  costOfPresses,
  describePress,
  maskOf,
  type Press,
} from "./press";
export { pressesBetween } from "./presses-between";
export { pressesInStep, recover, type WaitingPress } from "./recover";
export { runsOf, sectionBeats } from "./track-runs";
export { type LoopWay, recordedTracks, soundingBefore, wrongLayers } from "./way";
export { type BackStep, wayBack } from "./way-back";
