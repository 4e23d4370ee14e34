export { type LeaderAct, type LiveAct, type LiveEvent, liveActSchema } from "./act";
export { ahead, BARS_AHEAD } from "./ahead";
export { barInSection, barInUse } from "./bar-in-use";
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
export { type Follower, followFrom, hear, type LiveMessage } from "./follower";
export {
  COLD_INSTRUMENTS,
  COLD_PEOPLE,
  type ColdInstrument,
  coldInstrumentOf,
  LONGEST_NOTE,
  type StageNote,
  type StagePerson,
} from "./people";
export { type Place, placeAt } from "./place";
export { idOfUse, type LiveItem, type LivePassage, passageId, passagesOf } from "./score";
export type {
  PackedSong,
  StageCue,
  StageLine,
  StagePack,
  StagePart,
  StagePattern,
  StagePress,
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
