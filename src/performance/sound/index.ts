export { ScorePlayer } from "./render";
export { lengthOf, type SoundScore, soundScore } from "./score";
export { SimpleTones } from "./simple-tones";
export { type Sound, Sounder } from "./sounder";
export { VOICES, type VoiceName } from "./voices";
