export { type BodyAct, bodyActs } from "./body-acts";
export {
  type Act,
  type BodyPartUsed,
  type BodyPlan,
  isLate,
  type MoveOffer,
  moveOffers,
  type PlannedAct,
  planBody,
} from "./body-plan";
export { CHANGE_MS, type ChordChange, changeMs, chordChanges } from "./chord-changes";
export { moveCue, movesOfCue } from "./move-cue";
