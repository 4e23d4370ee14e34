import { describe, expect, it } from "vitest";
import { doubtOf } from "./doubt";

const reading = (cost: number, why: string) => ({ sections: [], bars: [], cost, why });

describe("how doubtful guessed beats are", () => {
  it("by what the next reading costs more", () => {
    expect(doubtOf({ readings: [] })).toBeNull();
    expect(doubtOf({ readings: [reading(1, "2 bars a line")] })).toEqual({
      taken: "2 bars a line",
      other: null,
      doubt: 0,
    });
    expect(doubtOf({ readings: [reading(1, "a"), reading(1, "b")] })).toEqual({
      taken: "a",
      other: "b",
      doubt: 1,
    });
    expect(doubtOf({ readings: [reading(1, "a"), reading(1.8, "b")] })!.doubt).toBeCloseTo(0.5);
    expect(doubtOf({ readings: [reading(1, "a"), reading(9, "b")] })!.doubt).toBe(0);
  });
});
