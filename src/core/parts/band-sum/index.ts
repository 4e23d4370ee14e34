export { describeSumProblem } from "./describe-sum";
export { heardBeside } from "./heard-beside";
export { judgeSum, LOWEST_OF_INTERVAL } from "./judge-sum";
export { closeVoicing, soundingChord } from "./sounding";
export { type ChordSum, LOOPS, type Mend, mendSum, sumOfBand } from "./sum";
