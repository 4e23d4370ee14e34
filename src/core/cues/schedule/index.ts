export {
  type Act,
  type BodyPartUsed,
  type BodyPlan,
  type MoveOffer,
  moveOffers,
  type PlannedAct,
  planBody,
} from "./body-plan";
