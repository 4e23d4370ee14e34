export {
  actOfPedal,
  advance,
  type BoxAct,
  type BoxSettings,
  type BoxState,
  emptyBox,
  passOf,
  pressBox,
  recordedOf,
  shareOf,
  soundingOf,
  type TrackState,
} from "./box";
export {
  actOf,
  chanceOf,
  type DuePress,
  type JudgedPress,
  judgePresses,
  type MadePress,
  oddsOf,
  placeOf,
  RIGHT_WITHIN_MS,
  sayRun,
} from "./judge";
export { addUp, type Dbfs, HEADROOM, levelForLayers, peakOf } from "./levels";
export { eventsOf, type HeardLayer, mixEvents, renderSound, type SoundEvent, wavOf } from "./sound";
export { hitsOf, type LayerHit } from "./voices";
