import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { parseChord, type SoundingChord } from "./chord";
import { clashesWith } from "./clash";

const clashes = (classes: number[], symbol: string, key: string) =>
  clashesWith(classes, unwrap(parseChord(symbol)) as SoundingChord, unwrap(parseKey(key)));

describe("clashesWith", () => {
  it("finds what lies a semitone from a tone of the chord", () => {
    expect(clashes([0, 4, 7], "C", "C")).toEqual([]);
    expect(clashes([5], "C", "C")).toEqual([5]);
    expect(clashes([8], "C", "C")).toEqual([8]);
    expect(clashes([2, 9], "C", "C")).toEqual([]);
  });

  it("lets the key's own seventh sound over its chord", () => {
    expect(clashes([11], "C", "C")).toEqual([]);
    expect(clashes([10], "C", "C")).toEqual([]);
    expect(clashes([11], "C", "F")).toEqual([11]);
  });
});
