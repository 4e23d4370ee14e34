import type { HandRequest } from "../../src/core/parts/shapes";
import { GUITAR_TUNING } from "../../src/core/pitch";

/** A steady hand on a guitar without a capo, for full chords anywhere. */
export const sampleHand = (fields: Partial<HandRequest> = {}): HandRequest => ({
  tuning: [...GUITAR_TUNING],
  capo: 0,
  level: "steady",
  style: "full",
  strings: null,
  thumb: false,
  scaleMm: 648,
  fret: null,
  moved: false,
  ...fields,
});
