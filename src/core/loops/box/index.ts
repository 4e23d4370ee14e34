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
export { addUp, HEADROOM, levelForLayers, peakOf } from "./levels";
export {
  eventsOf,
  type HeardLayer,
  mixEvents,
  renderSound,
  soundOfHit,
  wavOf,
  withinScale,
} from "./loop-sound";
