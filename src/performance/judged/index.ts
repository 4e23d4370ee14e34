export {
  type DuePress,
  describeRun,
  FOOT_SECONDS,
  type JudgedPress,
  judgePresses,
  type MadePress,
} from "./judge";
export { chanceOf, costliest, oddsOf } from "./odds";
