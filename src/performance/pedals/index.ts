export {
  controlOf,
  DOUBLE_MS,
  movePedals,
  nextHold,
  PEDALS_AT_REST,
  type PedalAct,
  type PedalEvent,
  type PedalsState,
} from "./move-pedals";
export { type ControlEvent, nextTold, type Telling, tellPress } from "./told-press";
