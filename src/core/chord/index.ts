export {
  type Chord,
  type ChordProblem,
  hasForeignBass,
  moveChord,
  parseChord,
  pitchClassesOf,
  respell,
  type SoundingChord,
} from "./chord";
export { clashesWith } from "./clash";
export { COLOURS, type Colour, coloured } from "./colour";
export { guessKey, isMinorChord, keyFit, type WeighedChord } from "./guess-key";
export { type ChordName, identify } from "./identify";
export { NAMINGS, type Naming, toLetters } from "./naming";
export { QUALITIES } from "./qualities";
export { formatTone, isPerfectFifth, type Tone, toneName, toneSemitones } from "./tone";
export { writeChord, writeNote } from "./write-naming";
