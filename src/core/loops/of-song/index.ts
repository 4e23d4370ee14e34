export { BOX_PROFILES, boxOf, DEFAULT_BOX } from "./boxes";
export {
  barAt,
  type FootPress,
  footPresses,
  pressesInAMinute,
  secondsAt,
  secondsToFirstWord,
  wrongLayers,
} from "./foot";
export { saySongLoopProblem } from "./say-problem";
export {
  looperPlayer,
  type Piece,
  type SongLoopProblem,
  type SongLoops,
  songLoops,
  spansOfForm,
  type UseSpan,
} from "./song-loops";
export { paint, type UseWant, type WantedStretch, wantAt, wantsOf } from "./stretches";
