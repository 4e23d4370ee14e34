export { type BodyAct, bodyActs } from "./body-acts";
export { BODY_FIXING, bodyFindings, describeBodyFinding } from "./body-findings";
export {
  isLate,
  moveOffers,
  planBody,
} from "./body-plan";
export { chordChanges } from "./chord-changes";
export { moveCue, movesOfCue } from "./move-cue";
