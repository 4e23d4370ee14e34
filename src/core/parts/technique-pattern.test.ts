import { describe, expect, it } from "vitest";
import { formatStrokes } from "../rhythm";
import { techniqueOf } from "../song/read";
import { techniquePattern } from "./technique-pattern";

const FOUR = { beats: 4, unit: 4 };
const usual = (id: Parameters<typeof techniqueOf>[0], meter = FOUR) => {
  const pattern = techniquePattern(techniqueOf(id), meter);
  return pattern && formatStrokes(pattern.strokes);
};

describe("the strum a way of playing usually is", () => {
  it("strikes its places, down where the hand goes down", () => {
    expect(usual("beat-strum")).toBe("D . D . D . D .");
    expect(usual("chops")).toBe(". . D . . . D .");
    expect(usual("off-chops")).toBe(". U . U . U . U");
    expect(usual("beat-strum", { beats: 6, unit: 8 })).toBe("D . . D . .");
  });

  it("is picked from the thumb on, in fours and in threes; a bass all down, or by the thumb", () => {
    expect(usual("picking")).toBe("p i m a m i m i");
    expect(usual("picking", { beats: 6, unit: 8 })).toBe("p i m a m i");
    expect(usual("bass-roots")).toBe("D . . . D . . .");
    expect(usual("bass-eighths")).toBe("D D D D D D D D");
    expect(usual("thumb-bass")).toBe("p . . . p . . .");
  });

  it("is none for lines, and where nothing strikes strings", () => {
    for (const id of ["line", "octaves", "bass-high", "pad", "groove", "melody"] as const)
      expect(usual(id)).toBeNull();
  });
});
