export { type DuePress, FOOT_SECONDS, type JudgedPress, judgePresses, type MadePress, sayRun } from "./judge";
export { chanceOf, oddsOf } from "./odds";
