export { judgeSum, LOWEST_OF_INTERVAL } from "./judge";
export { saySumProblem } from "./say-sum";
export { closeVoicing } from "./sounding";
export { type ChordSum, LOOPS, type Mend, mendSum, sumOfBand } from "./sum";
