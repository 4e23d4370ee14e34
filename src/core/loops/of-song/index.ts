export { withLayers } from "./arranged-layers";
export {
  actsOfPress,
  type BoxPedal,
  looperOfBox,
  pedalFor,
} from "./box-pedals";
export {
  type BuildSheet,
  type BuildStep,
  buildPrice,
  buildSheet,
  plainBuild,
} from "./build-sheet";
export { describeSongLoopProblem } from "./describe-loop-problem";
export {
  commandOfFix,
  describeLoopFinding,
  describeLoopFix,
  describeNeeds,
} from "./describe-loops";
export { followSheet } from "./follow-sheet";
export { type FootPress, footPresses, pressesInAMinute, secondsToFirstWord } from "./foot";
export { heardLayers, layerPasses } from "./heard";
export { layerOfPart } from "./layer-of-part";
export { BOX_PROFILES, hasLoopBox } from "./loop-boxes";
export {
  addLayer,
  followAgain,
  movePass,
  orderByPlan,
  PLAIN_LAYER,
  removeLayer,
  setBox,
  setLayer,
  strokeWants,
} from "./loop-commands";
export { LOOP_FIXING, type LoopFinding, loopFindings } from "./loop-findings";
export { loopPitches } from "./loop-pitches";
export { heldShapes, isHeld, type LoopVoicing, PLACE_FRETS, voicingsOfLayer } from "./loop-voicings";
export { layerName, looperPlayer, type SongLoops, songLoops } from "./song-loops";
export { boxTaught, type Learned, type Lesson, nextLesson, type Pressed } from "./teach-box";
export { layerOfKind, setTapped, TOUCH_LAYERS, type TouchLayer } from "./touch-layers";
export { type UseWant, type WantedSpan, wantAt, wantsOf } from "./wanted-spans";
