export { type LeaderAct, type LiveAct, type LiveEvent, liveActSchema } from "./act";
export { ahead, BARS_AHEAD } from "./ahead";
export { barInSection } from "./bar-in-use";
export {
  answeredAt,
  heardFrom,
  NO_BOUNDS,
  nextAskIn,
  type Offset,
  type OffsetBounds,
  offsetAt,
  serverTime,
} from "./clock-offset";
export { dangerSpot } from "./danger-spot";
export {
  type FeetState,
  type FeetTruth,
  feetAsPlanned,
  feetOfSong,
  feetPlace,
  fitsFeet,
  followFeet,
  type PlannedFeet,
  type StageFeet,
  type TellFeet,
  tellFeet,
  tellFeetStrip,
} from "./feet";
export { type Follower, followFrom, hear, type LiveMessage } from "./follower";
export { cuesFollowing, nextEntry } from "./following";
export {
  BOUNCE_MS,
  FOOT_OFF,
  type Foot,
  type FootEvent,
  type FootKey,
  LONG_PRESS_MS,
  stepFoot,
} from "./foot";
export { pedalAct, type When } from "./foot-act";
export { passagesOf } from "./passages-of";
export {
  COLD_INSTRUMENTS,
  type ColdInstrument,
  coldInstrumentOf,
  isOnePerson,
  LONGEST_NOTE,
  OPEN_TO_MANY,
  READING_ALONG,
  type StageNote,
  type StagePerson,
} from "./people";
export { barOf, type Place, placeAt } from "./place";
export {
  beatMs,
  countInTicks,
  idOfUse,
  type LiveItem,
  type LivePassage,
  passageId,
} from "./score";
export type {
  PackedSong,
  StageCue,
  StageLine,
  StagePack,
  StagePart,
  StagePattern,
  StagePress,
  StageReady,
  StageRiff,
  StageShape,
  StageSheet,
  StageStrum,
  StageWait,
} from "./stage-sheet";
export {
  applyLive,
  EMPTY_STATE,
  itemOf,
  type LiveState,
  passagesNow,
  refuseLive,
} from "./state";
