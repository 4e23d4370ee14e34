export { arrange } from "./arrange";
export {
  ARCS,
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type ArrangeCase,
  type Arrangement,
  type ArrangePlayer,
  type ArrangeSchool,
  type ArrangeUse,
  LIMIT_RULES,
  type Limit,
  type LimitRule,
} from "./case";
export { IDEAS, ideaOf, isIdea, OUT } from "./ideas";
export { schoolWords } from "./schools";
export { type ArrangeNames, tellArrangement, tellCell } from "./tell";
