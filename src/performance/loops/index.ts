export { actOf, placeOf } from "./due";
export { Looper, type LooperView, pieceTimes, scoreOfLoops } from "./looper";
