export { LoopFindingsList } from "./LoopFindingsList";
export { describeChance } from "./loop-words";
export { Notes } from "./Notes";
export { type ShownPlan, useLoopFindings, useLoops } from "./use-loops";
