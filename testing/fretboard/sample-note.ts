import { PLAIN_NOTE, type TabNote } from "../../src/core/fretboard/line/note";

/** A plain eighth for tests. */
export const sampleNote = (
  tick: number,
  string: number,
  fret: number,
  more: Partial<TabNote> = {},
): TabNote => ({ ...PLAIN_NOTE, tick, ticks: 480, string, fret, ...more });
