export { compareCosts } from "./cost";
export { describeToneProblem } from "./describe-plan-problem";
export { landingOf, liveTone, moveTo, type TonePlace } from "./live-tone";
export {
  costOfWay,
  planTones,
  stepsThrough,
  type ToneBank,
  type TonePlan,
  type ToneStep,
} from "./plan-sounds";
export type {
  ToneBoard,
  ToneCase,
  ToneCost,
  ToneProblem,
} from "./sound-case";
export { bankNumber, describeAct, nameOfAct, type ToneAct } from "./tone-act";
