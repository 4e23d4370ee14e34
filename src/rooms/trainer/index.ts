export { Answer, RunLog } from "./Answer";
export type { Finished } from "./finished";
export { keepRun } from "./keep-run";
export { PedalRow } from "./PedalRow";
export { RunControls, type WayToRun } from "./RunControls";
export { type PedalAct, usePedals } from "./use-pedals";
