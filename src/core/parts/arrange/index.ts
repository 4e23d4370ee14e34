export { arrange } from "./arrange";
export {
  ARCS,
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type Arc,
  type ArrangeCase,
  type ArrangeCell,
  type Arrangement,
  type ArrangeSchool,
  type ArrangeUse,
  type ArrangeWeights,
  LIMIT_RULES,
  type Limit,
  type LimitRule,
} from "./case";
export { type ContrastOffer, contrastsOf, type Overlap, overlapOf } from "./contrast";
export { IDEAS, ideaOf, isIdea } from "./ideas";
export { arrangeCaseOf, arrangedPlayers, dropBefore, heldLimits, isHeld } from "./of-song";
export { arrangementDifferences, type OtherIdea, otherIdeas, sumsOf, withCell } from "./other-ideas";
export { rescored } from "./rescore";
export { type TakenCells, takeArrangement } from "./take";
export { learn, tastesOf, tellTaste } from "./tastes";
export { tellArrangement, tellCell, tellIdea } from "./tell";
