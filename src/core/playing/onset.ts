import type { Midi } from "../../base";

/** How a string is set going. */
export type StrokeWay = "down" | "up" | "pluck" | "dead";

/** How much higher than its pitch a note is at a moment of it, ms from its begin; even between two of them. */
export type Bend = { readonly ms: number; readonly semitones: number };

/** A sound that begins: what the voice of an instrument is told. */
export type Onset = {
  /** From the beginning, ms. */
  readonly ms: number;
  /** Null where damped strings are struck: no pitch is heard. */
  readonly pitch: Midi | null;
  /** Until it is struck again, choked or its event ends, ms. */
  readonly lastsMs: number;
  /** By its place, the one nearest the face first; null where no string is struck. */
  readonly string: number | null;
  /** 1 to 127, as MIDI has it. */
  readonly velocity: number;
  /** Null where nothing is said of it: keys, melodies. */
  readonly stroke: StrokeWay | null;
  /** How it is bent or glides, in order of time; nothing where it stays. */
  readonly bends?: readonly Bend[];
};
