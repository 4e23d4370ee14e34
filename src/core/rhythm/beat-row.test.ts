import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { describeBeatRowProblem, fitBeatRow, formatBeatRow, readBeatRow, ticksOfRow } from "./beat-row";

describe("a row of beats", () => {
  it.each([
    ["4 4", [[4, 4]]],
    [
      "6 2 | 4 4 | 3 1 4",
      [
        [6, 2],
        [4, 4],
        [3, 1, 4],
      ],
    ],
    ["| 4 | 2 2 |", [[4], [2, 2]]],
    ["2 2 x2", [[2, 2, 2, 2]]],
    ["4 | 2 2 | x2", [[4], [2, 2], [4], [2, 2]]],
    ["4 | 2 2 x2", [[4], [2, 2], [4], [2, 2]]],
    ["4 x3 2 2x", [[4, 4, 4, 2, 2]]],
    ["1½ ½, 2,5 .5", [[1.5, 0.5, 2.5, 0.5]]],
    ["4, 4; 2/2", [[4, 4, 2, 2]]],
  ])("%s", (text, row) => {
    expect(readBeatRow(text)).toEqual({ ok: true, value: row });
  });

  it.each([
    ["", "empty"],
    [" | ", "empty"],
    ["4 four", "not-beats"],
    ["4 -2", "not-beats"],
    ["4 1e3", "not-beats"],
    ["0", "too-short"],
    ["129", "too-long"],
    ["4 x33", "too-long"],
    ["x2", "nothing-to-repeat"],
    ["4 x0", "nothing-to-repeat"],
    ["4 ".repeat(401), "too-long"],
  ])("%s is refused with a sentence", (text, code) => {
    const read = readBeatRow(text);
    expect(read.ok ? "" : read.problem.code).toBe(code);
    expect(read.ok ? "" : describeBeatRowProblem(read.problem)).toMatch(/\.$/u);
  });

  it("tells where the first strange sign stands", () => {
    expect(readBeatRow("4 4 | two")).toEqual({
      ok: false,
      problem: { code: "not-beats", text: "two", at: 6 },
    });
  });

  it("fills a line as often as it goes into its chords", () => {
    expect(unwrap(fitBeatRow([[2]], [4]))).toEqual([[2, 2, 2, 2]]);
    expect(unwrap(fitBeatRow([[3, 1]], [4]))).toEqual([[3, 1, 3, 1]]);
    expect(fitBeatRow([[3, 1, 4]], [4]).ok).toBe(false);
  });

  it("goes on down where its bar lines fall between lines", () => {
    const row = unwrap(readBeatRow("6 2 | 4 4 | 3 1 4"));
    expect(unwrap(fitBeatRow(row, [2, 2, 3, 5]))).toEqual(row);
    expect(unwrap(fitBeatRow(row, [2, 0, 2, 3]))).toEqual(row);
    expect(unwrap(fitBeatRow(row, [4, 3]))).toEqual([
      [6, 2, 4, 4],
      [3, 1, 4],
    ]);
    expect(fitBeatRow(row, [2, 3, 2]).ok).toBe(false);
    expect(fitBeatRow(row, [2, 2]).ok).toBe(false);
    expect(fitBeatRow(row, []).ok).toBe(false);
  });

  it("is written with the bar lines that fall between chords", () => {
    expect(formatBeatRow([4, 4, 2, 2, 4], 4)).toBe("4 | 4 | 2 2 | 4");
    expect(formatBeatRow([6, 2, 4], 4)).toBe("6 2 | 4");
    expect(formatBeatRow([3, 4], 4, 1)).toBe("3 | 4");
    expect(formatBeatRow([], 4)).toBe("");
  });

  it("is in ticks, never none", () => {
    expect(ticksOfRow([1.5, 2, 1 / 3], "1/4")).toEqual([1440, 1920, 320]);
    expect(ticksOfRow([0.001], "1/32")).toEqual([1]);
  });

  it("law: what is written is read back", () => {
    const beats = fc.array(
      fc.integer({ min: 1, max: 256 }).map((half) => half / 2),
      { minLength: 1, maxLength: 30 },
    );
    fc.assert(
      fc.property(beats, fc.constantFrom(2, 3, 4, 6), (row, bar) => {
        expect(unwrap(readBeatRow(formatBeatRow(row, bar))).flat()).toEqual(row);
        expect(unwrap(fitBeatRow(unwrap(readBeatRow(formatBeatRow(row, bar))), [row.length]))).toEqual([row]);
      }),
    );
  });
});
