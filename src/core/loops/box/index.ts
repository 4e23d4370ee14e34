export {
  actOfPedal,
  advance,
  type BoxAct,
  type BoxSettings,
  type BoxState,
  emptyBox,
  passOf,
  pressBox,
  shareOf,
  soundingOf,
} from "./box";
export {
  actOf,
  chanceOf,
  chanceOfDue,
  type DuePress,
  type JudgedPress,
  judgePresses,
  type MadePress,
  oddsOf,
  placeOf,
  sayRun,
} from "./judge";
export { addUp, amplitudeOf, type Dbfs, HEADROOM, levelForLayers, peakOf } from "./levels";
export { eventsOf, type HeardLayer, mixEvents, renderSound, type SoundEvent, wavOf } from "./sound";
export { hitsOf, type LayerHit } from "./voices";
