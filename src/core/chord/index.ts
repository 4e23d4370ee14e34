export {
  type Chord,
  type ChordProblem,
  hasForeignBass,
  moveChord,
  type NoChord,
  parseChord,
  pitchClassesOf,
  respell,
  type SoundingChord,
} from "./chord";
export { COLOURS, type Colour, coloured } from "./colour";
export { guessKey } from "./guess-key";
export { NAMINGS, type Naming, toLetters } from "./naming";
export { formatTone, type Tone, toneName, toneSemitones } from "./tone";
