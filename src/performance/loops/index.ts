export { actsOn, duePresses, placeOf } from "./loop-dues";
export { Looper, type LooperView, pieceTimes, scoreOfLoops } from "./looper";
export { nextPace, SLOWEST_PACE, slowed } from "./slowed";
