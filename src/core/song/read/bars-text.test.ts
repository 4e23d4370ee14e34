import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sure } from "../../../base";
import { formatBars, readBars, sayBarsProblem } from "./bars-text";

describe("bars as people write them", () => {
  it("are read, joined and put in order", () => {
    expect(sure(readBars("7, 1-4, 5", 8))).toEqual([
      [0, 5],
      [6, 7],
    ]);
    expect(sure(readBars("1 – 8", 8))).toBeNull();
    expect(sure(readBars("all", 8))).toBeNull();
    expect(sure(readBars("none", 8))).toEqual([]);
  });

  it("come back as they were: law", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 16 })), (bars) => {
        const read = sure(readBars(bars.length === 0 ? "none" : bars.join(","), 16));
        expect(sure(readBars(formatBars(read), 16))).toEqual(read);
      }),
    );
  });

  it.each(["x", "0", "9", "4-2", "1--2"])("refuse %s with a sentence", (text) => {
    const read = readBars(text, 8);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(sayBarsProblem(read.problem)).toMatch(/[.]$/u);
  });
});
