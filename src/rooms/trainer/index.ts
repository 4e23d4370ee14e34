export { Answer, RunLog } from "./Answer";
export { MsHistogram } from "./Histogram";
export { keepRun } from "./keep-run";
export { LitLine } from "./LitLine";
export { PedalRow } from "./PedalRow";
export { RunControls, type WayToRun } from "./RunControls";
export { useAnswer } from "./use-answer";
export { type Pedals, usePedals } from "./use-pedals";
export { type RunView, useRunner } from "./use-runner";
