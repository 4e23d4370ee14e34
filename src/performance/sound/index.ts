export { channelsFor, type PartChannels, type PartVoice, type SoundChannel } from "./channels";
export { soundsOf, soundsOfClicks } from "./drums";
export { type Mix, type PartMix, ScorePlayer } from "./render";
export { RunFeed, type VoicedPart } from "./run-feed";
export { goneOnIn, RunSound, type RunWay } from "./run-sound";
export { eventsOf, inTime, lengthOf, type SoundEvent, type SoundScore, soundScore } from "./score";
export { SimpleTones } from "./simple-tones";
export { type Running, type Sound, Sounder } from "./sounder";
export { VOICES, type VoiceName } from "./voices";
