export { LoopFindingsList } from "./LoopFindingsList";
export { Notes } from "./Notes";
export { type ShownPlan, useLoopFindings, useLoops } from "./use-loops";
export { describeChance } from "./words";
