export { type CapoTableOptions, capoTable, shapeKeyAt } from "./capo-table";
export { degreeLine } from "./degree-line";
export { describeFingering } from "./describe-fingering";
export type { Reason } from "./difficulty";
export { describeFingers, describeList, FINGER_WORDS } from "./finger-words";
export { type Fingering, type FingeringOptions, fingerings, holdShape, USUAL_LAST_FRET } from "./fingerings";
export { type Finger, type Frets, type HeldShape, highestFret, pitchesOfFrets } from "./hand";
export {
  type Harmonised,
  type HarmonyInterval,
  harmonise,
} from "./harmoniser";
export { canDo, LEVELS, type Level } from "./level";
export * from "./line";
export { BASS_SCALE_MM, fretMm, GUITAR_SCALE_MM, HIGHEST_CAPO, LAST_FRET } from "./neck";
export {
  boxForHand,
  type NeckPlace,
  neckPlaces,
  notesOfChord,
  notesOfScale,
  pentatonicBoxes,
  type WantedNote,
} from "./neck-view";
export {
  describeMove,
  describePlanted,
  GRADES,
  type Grade,
  type HandEvent,
  type LayerProblem,
  type Move,
  type MovePart,
  movedShape,
  orderShapes,
  type PlantedOptions,
  type PlantedPoint,
  planted,
  SHAPE_ORDERS,
  type ShapeOrder,
  voicePath,
  withPassing,
} from "./path";
export { describeFretsProblem, readFrets } from "./read-frets";
export { describeStandIn, standIns } from "./stand-ins";
export { STYLES, type Style } from "./styles";
export { TERMS, type Term } from "./terms";
export { tonesOf } from "./triad-tones";
export { readTuningWords, type SaidTuning } from "./tuning-words";
export { WEIGHTS } from "./weights";
