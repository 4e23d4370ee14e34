export { type LeaderAct, LIVE_BPM, type LiveAct, type LiveEvent, liveActSchema } from "./act";
export { ahead, BARS_AHEAD, type Placed } from "./ahead";
export { barInUse } from "./bar-in-use";
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
export type { StageNote, StagePerson } from "./people";
export { type Phase, type Place, placeAt, type Transport } from "./place";
export { idOfUse, type LiveItem, type LivePassage, passageId, passagesOf } from "./score";
export {
  applyLive,
  EMPTY_STATE,
  itemOf,
  LEAD_MS,
  type LiveState,
  passagesNow,
  refuseLive,
} from "./state";
