export type { Cue, CueKind } from "./cue";
export { cuesOf, leaderOf, type Planned, standingOf } from "./derive";
export { addCue, setCue } from "./own-cue";
export * from "./schedule";
export { handCues, isHandCue, type Standing, standingAfter } from "./standing";
