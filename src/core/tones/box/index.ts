export { orderOfMessage, planMessages, sayMessage, slotMessages, type TimedMessage } from "./messages";
export {
  type BoxOrder,
  isSilentAt,
  pressesBack,
  soundOf,
  type ToneBoxState,
  tellBox,
  toneBoxAt,
} from "./tone-box";
