export { compareCosts } from "./cost";
export {
  costOfWay,
  planTones,
  stepsThrough,
  type ToneBank,
  type TonePlan,
  type ToneStep,
} from "./plan-sounds";
export { sayToneProblem } from "./say-problem";
export type {
  ToneBoard,
  ToneCase,
  ToneCost,
  ToneProblem,
} from "./sound-case";
