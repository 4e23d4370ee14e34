export { dueTones } from "./due";
export { scoreOfTones, type ToneBoxView, ToneDevice } from "./sound-device";
