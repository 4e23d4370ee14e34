export { readTab } from "./read-tab";
export { sayTabLoss, sayTabProblem } from "./say-tab";
export type { TabLine } from "./tab-line";
export { writeTab } from "./write-tab";
