import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { clicksOf } from "./clicks";
import { readPattern } from "./pattern";

const FOUR = { beats: 4, unit: 4 };
const QUARTERS = { bpm: 60, beatUnit: "1/4" };
const read = (text: string, kind: "strum" | "fingers" = "strum") =>
  unwrap(readPattern({ meter: FOUR, subdivision: 2, text, kind }));

describe("a pattern as clicks", () => {
  it("sounds each stroke at its time, down lower than up, by hand", () => {
    expect(clicksOf(read("D3 U . x"), QUARTERS, 1)).toEqual([
      { ms: 0, hz: 220, gain: 0.26, lastsMs: 110 },
      { ms: 500, hz: 330, gain: 0.14, lastsMs: 110 },
      { ms: 1500, hz: 140, gain: 0.14, lastsMs: 35 },
    ]);
  });

  it("comes round, and shares a stroke's loudness between its fingers", () => {
    const clicks = clicksOf(read("pm -", "fingers"), QUARTERS, 2);
    expect(clicks.map(({ ms, hz }) => [ms, hz])).toEqual([
      [0, 165],
      [0, 330],
      [1000, 165],
      [1000, 330],
    ]);
    expect(clicks[0]!.gain).toBeCloseTo(0.07, 9);
    expect(Math.max(...clicks.map(({ gain }) => gain))).toBeLessThanOrEqual(0.26);
  });
});
