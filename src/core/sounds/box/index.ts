export { describeMessage, orderOfMessage, planMessages, slotMessages, type TimedMessage } from "./messages";
export {
  type BoxOrder,
  isSilentAt,
  orderOfName,
  pressesBack,
  soundOf,
  type ToneBoxState,
  tellBox,
  toneBoxAt,
} from "./sound-box";
