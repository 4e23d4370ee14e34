export { arrange } from "./arrange";
export {
  ARCS,
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type Arc,
  type ArrangeCase,
  type ArrangeCell,
  type ArrangeGrid,
  type Arrangement,
  type ArrangePlayer,
  type ArrangeSchool,
  type ArrangeUse,
  type ArrangeWeights,
  LIMIT_RULES,
  type Limit,
  type LimitRule,
} from "./case";
export { IDEAS, ideaOf, isIdea, OUT } from "./ideas";
export { type ArrangeWishes, arrangeCaseOf, arrangedPlayers, heldLimits, isHeld } from "./of-song";
export { arrangementDifferences, type OtherIdea, otherIdeas, sumsOf, withCell } from "./other-ideas";
export { schoolWords } from "./schools";
export { type TakenPart, takeArrangement } from "./take";
export { type ArrangeNames, tellArrangement, tellCell } from "./tell";
