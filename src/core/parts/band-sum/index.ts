export { describeSumProblem } from "./describe-sum";
export { judgeSum, LOWEST_OF_INTERVAL } from "./judge";
export { closeVoicing } from "./sounding";
export { type ChordSum, LOOPS, type Mend, mendSum, sumOfBand } from "./sum";
