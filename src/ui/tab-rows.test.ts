import { describe, expect, it } from "vitest";
import { sampleNote } from "../../testing/fretboard/sample-note";
import { tabRows } from "./tab-rows";

const BAR = 3840;
const line = (bars: number, ...notes: [bar: number, fret: number][]) => ({
  notes: notes.map(([bar, fret]) => sampleNote(bar * BAR, 2, fret)),
  bars: Array.from({ length: bars }, (_, at) => at * BAR),
  ticks: bars * BAR,
});

describe("a line in rows of bars", () => {
  it("has so many bars to a row, the last one what is left", () => {
    const rows = tabRows(line(6, [0, 3], [4, 5], [5, 7]), 4);
    expect(rows.map(({ bar, bars, notes }) => [bar, bars, notes])).toEqual([
      [0, 4, [0]],
      [4, 2, [1, 2]],
    ]);
    expect(rows[1]!.to).toBe(6 * BAR);
  });

  it("says which row it is the same as, note for note", () => {
    expect(tabRows(line(8, [0, 3], [4, 3]), 4).map(({ as }) => as)).toEqual([null, 0]);
    expect(tabRows(line(8, [0, 3], [4, 5]), 4).map(({ as }) => as)).toEqual([null, null]);
    expect(tabRows(line(6, [0, 3], [4, 3]), 4).map(({ as }) => as)).toEqual([null, null]);
  });

  it("is nothing where there is no bar", () => {
    expect(tabRows({ notes: [], bars: [], ticks: 0 }, 4)).toEqual([]);
  });
});
