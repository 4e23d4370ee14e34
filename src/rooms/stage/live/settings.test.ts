import { describe, expect, it } from "vitest";
import { readSettings, SIZES } from "./settings";

describe("readSettings", () => {
  it("has what was kept, and the usual for what was not or can't be", () => {
    const usual = readSettings(null);
    expect(usual).toMatchObject({ density: "all", light: false, hand: "right", leads: false, pedals: true });
    expect(SIZES[usual.size]).toBe(1);
    expect(readSettings('{"leads":true,"size":4,"density":"cues","hand":"left"}')).toEqual({
      ...usual,
      leads: true,
      size: 4,
      density: "cues",
      hand: "left",
    });
    for (const bad of ['{"size":99,"density":"loud","light":"yes"}', "[1]", "null", "nonsense", "7"])
      expect(readSettings(bad)).toEqual(usual);
  });
});
