export { type CapoOption, type CapoTableOptions, capoTable, shapeKeyAt } from "./capo-table";
export { type DegreeLine, type DegreeLineOptions, type DegreeNote, degreeLine } from "./degree-line";
export { type Reason, TERMS, type Term } from "./difficulty";
export { FINGER_WORDS, ordinal, sayFingers, sayList } from "./finger-words";
export { type Barre, type Fingering, type FingeringOptions, type Fingerings, fingerings } from "./fingerings";
export { type Finger, type Frets, pitchesOfFrets } from "./hand";
export {
  type Harmonised,
  type HarmoniserOptions,
  type HarmonyInterval,
  harmonise,
  type PairPosition,
  type PairSubstitute,
} from "./harmoniser";
export { canDo, HAND_LIMITS, LEVELS, type Level } from "./level";
export * from "./line";
export type { Mute } from "./mutes";
export { BASS_SCALE_MM, betweenFretsMm, fretMm, GUITAR_SCALE_MM, HIGHEST_CAPO, LAST_FRET } from "./neck";
export {
  type NeckPlace,
  neckPlaces,
  notesOfChord,
  notesOfScale,
  pentatonicBox,
  type WantedNote,
} from "./neck-view";
export {
  CHANGE_COSTS,
  GRADES,
  type Grade,
  type HandEvent,
  type LayerProblem,
  type Move,
  type Planted,
  type PlantedFinger,
  type PlantedOptions,
  type PlantedPoint,
  planted,
  QUICK_MS,
  type VoicePath,
  type VoicePathOptions,
  voicePath,
  withPassing,
} from "./path";
export { sayFingering } from "./say-fingering";
export { type StandIn, standIns } from "./stand-ins";
export { STYLES, type Style } from "./styles";
export { WEIGHTS } from "./weights";
