export { type TellFeet, tellFeetStrip } from "./describe-feet";
export { feetOfSong, type PlannedFeet } from "./feet-of-song";
export { feetPlace } from "./feet-place";
export {
  type FeetState,
  type FeetTruth,
  feetAsPlanned,
  fitsFeet,
  followFeet,
  tellFeet,
} from "./feet-state";
export type { StageFeet } from "./stage-feet";
