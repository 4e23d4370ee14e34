export { scoreOfTones, type ToneBoxView, ToneDevice } from "./sound-device";
export { dueTones } from "./sound-dues";
