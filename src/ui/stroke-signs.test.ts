import { describe, expect, it } from "vitest";
import { strokeSign, strokeWords } from "./stroke-signs";

describe("a note's stroke and weight", () => {
  it("are a sign below the strings, and words", () => {
    const weights = [1, 2, 3] as const;
    expect(weights.map((weight) => strokeSign({ weight }, "down"))).toEqual(["↓,", "↓", "↓!"]);
    expect(weights.map((weight) => strokeSign({ weight }, null))).toEqual([",", "", "!"]);
    expect(weights.map((weight) => strokeWords({ weight }, "up"))).toEqual(["light up", "up", "accented up"]);
    expect(strokeWords({ weight: 2 }, null)).toBe("");
  });
});
