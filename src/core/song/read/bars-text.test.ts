import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { describeBarsProblem, formatBars, readBars } from "./bars-text";

describe("bars as people write them", () => {
  it("are read, joined and put in order", () => {
    expect(unwrap(readBars("7, 1-4, 5", 8))).toEqual([
      [0, 5],
      [6, 7],
    ]);
    expect(unwrap(readBars("1 – 8", 8))).toBeNull();
    expect(unwrap(readBars("all", 8))).toBeNull();
    expect(unwrap(readBars("none", 8))).toEqual([]);
  });

  it("come back as they were: law", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 16 })), (bars) => {
        const read = unwrap(readBars(bars.length === 0 ? "none" : bars.join(","), 16));
        expect(unwrap(readBars(formatBars(read), 16))).toEqual(read);
      }),
    );
  });

  it.each(["x", "0", "9", "4-2", "1--2"])("refuse %s with a sentence", (text) => {
    const read = readBars(text, 8);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(describeBarsProblem(read.problem)).toMatch(/[.]$/u);
  });
});
