export { ACCIDENTALS, type Accidentals, preferAccidentals } from "./accidentals";
export { describeMove, describeSemitones } from "./describe-semitones";
export { describeTuning } from "./describe-tuning";
export {
  formatKey,
  isInKey,
  type Key,
  moveKey,
  moveName,
  nameInKey,
  parseKey,
  plainKey,
} from "./key";
export {
  alterOf,
  formatNoteName,
  type NoteName,
  nameOfPitchClass,
  parseNoteName,
  pitchClassOf,
  readNoteNameHead,
  semitonesUp,
} from "./note-name";
export { formatPitch, formatPitchIn, parsePitch, pitchFrom } from "./pitch";
export { realSigns } from "./real-signs";
export {
  moveByDegrees,
  SCALE_NAMES,
  type ScaleName,
  scaleClasses,
  scaleNotes,
  scaleOfKey,
} from "./scale";
export {
  BASS_TUNING,
  FEWEST_STRINGS,
  formatTuning,
  GUITAR_TUNING,
  MOST_STRINGS,
  parseTuning,
  STANDARD_TUNINGS,
  stringNames,
  type Tuning,
  type TuningProblem,
  tuningShift,
} from "./tuning";
export { hzOf, NAMED_TUNINGS, nearestPitch, type TuningMove, tuningMoves } from "./tuning-moves";
