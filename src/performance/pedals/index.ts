export {
  DOUBLE_MS,
  movePedals,
  nextHold,
  PEDALS_AT_REST,
  type PedalAct,
  type PedalEvent,
  type PedalsState,
} from "./move-pedals";
