export type { Cue, CueKind } from "./cue";
export { cuesOf, leaderOf, type Planned } from "./derive";
export { addCue, setCue } from "./own-cue";
export * from "./schedule";
