export { describeTabLoss, describeTabProblem } from "./describe-tab";
export { readTab } from "./read-tab";
export type { TabLine } from "./tab-line";
export { writeTab } from "./write-tab";
