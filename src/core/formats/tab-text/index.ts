export { type ReadTab, readTab } from "./read-tab";
export { sayTabLoss, sayTabProblem } from "./say-tab";
export type { TabLine, TabLoss, TabProblem } from "./tab-line";
export { writeTab } from "./write-tab";
