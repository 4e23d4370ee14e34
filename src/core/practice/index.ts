export { whoCarriesAlone } from "./alone";
export { CLICKS, type Click, type ClickAt, clicksOfRun, countIn } from "./click";
export { type FootRun, footRunRow, footRuns } from "./foot-runs";
export { type HeardSong, heardBand, heardParts } from "./heard-band";
export type { HeardPart } from "./heard-part";
export { type LadderStep, ladderOf, type StepKind, stepPart } from "./ladder";
export { bandLoad, correctionOf, type Load, type LoadKind, loadOf, type Proved } from "./load";
export {
  changeDays,
  LOG_COLUMNS,
  lastRehearsed,
  logRow,
  type Practised,
  practiceDays,
  practiceToAdd,
} from "./log";
export { loopedParts } from "./looped-part";
export { type NextStep, nextMinutes, type PracticePlace } from "./next-minutes";
export {
  barLinesOf,
  beginsOf,
  layRun,
  msOfTick,
  placeInRun,
  type Run,
  type RunPlace,
  type RunWish,
  SPEEDS,
  wholeOf,
} from "./run";
export { MELODY_ID } from "./sung-part";
export { describeTaps, isInTime, judgeTaps, type Tapped } from "./taps";
export { type HeardOnsets, heardOnsets } from "./through-sound";
export { toLearnOf, withoutBass } from "./to-learn";
export { provedBy, type Weighed, weighSong } from "./weigh";
