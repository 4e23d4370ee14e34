export { hearShape } from "./hear-shape";
export {
  type Drum,
  type DrumHit,
  onsetsOf,
  type PartOnsets,
  type TimedNote,
  type TimedPart,
  type TimedStroke,
  timedNote,
  withChoke,
} from "./in-ticks";
export { type NoteAt, playLine } from "./line";
export type { Bend, Onset } from "./onset";
export { type PlayEvent, play, type Strokes } from "./play";
export { type HeldShape, SPREAD_MS, velocityOf } from "./strokes";
