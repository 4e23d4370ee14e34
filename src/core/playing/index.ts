export { hearShape } from "./hear-shape";
export type { Onset } from "./onset";
export { type PlayEvent, play, SPREAD_MS, type Strokes } from "./play";
