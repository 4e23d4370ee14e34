import { type Riff, UNSOURCED, UNVARIED } from "../../src/core/song/schema";

/** A bar of a line for a guitar, as its row says it: for tests. */
export const sampleRiff = (more: Partial<Riff> = {}): Riff => ({
  id: "r",
  originId: null,
  order: "V",
  name: "r",
  tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
  capo: 0,
  ticks: 3840,
  way: "as written",
  home: null,
  approach: false,
  strokes: null,
  homeKey: null,
  homeShift: null,
  ...UNSOURCED,
  ...UNVARIED,
  ...more,
});
