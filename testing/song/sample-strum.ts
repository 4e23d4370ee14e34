import type { StrumRow } from "../../src/core/song/schema";

/** A pattern in eighths of 4/4, begun anew at each chord, as its row says it: for tests. */
export const sampleStrum = (pattern: string, more: Partial<StrumRow> = {}): StrumRow => ({
  id: "s",
  originId: null,
  order: "V",
  name: "s",
  kind: "strum",
  meterBeats: 4,
  meterUnit: 4,
  subdivision: 2,
  swing: 0.5,
  pattern,
  gate: "",
  anchor: "chord",
  ...more,
});
