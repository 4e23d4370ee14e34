export { judgeSum, LOWEST_OF_INTERVAL, type Sum, type SumProblem, type Voice } from "./judge";
export { saySumProblem } from "./say-sum";
export { closeVoicing, pitchesOfPart } from "./sounding";
export { type ChordSum, LOOPS, type Mend, mendSum, sumOfBand } from "./sum";
