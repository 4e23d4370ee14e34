export { hearShape } from "./hear-shape";
export { type NoteAt, playLine } from "./line";
export type { Bend, Onset } from "./onset";
export { type PlayEvent, play, type Strokes } from "./play";
export { type HeldShape, playStrokes, SPREAD_MS, type StrokeAt, velocityOf } from "./strokes";
