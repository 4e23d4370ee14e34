import type { LivePassage } from "../../src/core/stage";

export const BEAT = 960;
export const BAR = 4 * BEAT;

/** A time through a section of so many bars of four quarters, at 120 a minute where nothing else is said. */
export const plainPassage = (bars: number, fields: Partial<LivePassage> = {}): LivePassage => ({
  id: "u 0",
  label: "Verse",
  kind: "verse",
  ticks: bars * BAR,
  firstBar: 1,
  bars: Array.from({ length: bars }, (_, at) => at * BAR),
  beat: BEAT,
  bar: BAR,
  bpm: 120,
  signs: [],
  ...fields,
});
