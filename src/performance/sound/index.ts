export type { PartVoice } from "./channels";
export { soundsOf } from "./drums";
export { type Mix, ScorePlayer } from "./render";
export { RunFeed, type VoicedPart } from "./run-feed";
export { goneOnIn, RunSound } from "./run-sound";
export { lengthOf, type SoundScore, soundScore } from "./score";
export { SimpleTones } from "./simple-tones";
export { type Sound, Sounder } from "./sounder";
export { VOICES, type VoiceName } from "./voices";
