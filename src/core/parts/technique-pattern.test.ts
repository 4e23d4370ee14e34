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

  it("is none where nothing is struck over the strings", () => {
    expect(usual("picking")).toBeNull();
    expect(usual("bass-roots")).toBeNull();
  });
});
