export { CLICKS, type Click, type ClickAt, clicksOfRun, countIn } from "./click";
export type { Drum } from "./groove";
export { type HeardSong, heardBand } from "./heard-band";
export type { HeardPart } from "./heard-part";
export { changeDays, LOG_COLUMNS, lastRehearsed, logRow, practiceDays } from "./log";
export { onsetsOf, type PartOnsets } from "./onsets-of";
export {
  barLinesOf,
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
