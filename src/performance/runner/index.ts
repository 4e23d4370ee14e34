export { countOn } from "./count";
export type { Beat, Device, Finished, Score, Way } from "./device";
export { Runner } from "./runner";
