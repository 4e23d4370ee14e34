export { compareCosts } from "./cost";
export {
  costOfWay,
  planTones,
  stepsThrough,
  type ToneBank,
  type TonePlan,
  type ToneStep,
  type ToneWay,
} from "./plan-tones";
export { sayToneProblem } from "./say-problem";
export {
  type ToneBoard,
  type ToneCase,
  type ToneCost,
  type TonePin,
  type ToneProblem,
  type ToneSection,
  tonesOf,
} from "./tone-case";
