import { describe, expect, it } from "vitest";
import { addUp, levelForLayers, peakOf } from "./levels";

describe("levels", () => {
  it("add up: two equal peaks are 6.02 dB louder at worst, 3.01 dB by power", () => {
    const { worst, likely } = addUp([-12, -12]);
    expect(worst).toBeCloseTo(-12 + 20 * Math.log10(2), 12);
    expect(likely).toBeCloseTo(-12 + 10 * Math.log10(2), 12);
    expect(addUp([-6]).worst).toBeCloseTo(-6, 12);
    expect(addUp([]).worst).toBe(Number.NEGATIVE_INFINITY);
  });

  it("leave the room they promise", () => {
    for (const layers of [1, 2, 3, 5, 8])
      expect(addUp(Array(layers).fill(levelForLayers(layers, -3))).worst).toBeCloseTo(-3, 9);
    expect(peakOf(Float32Array.of(0, -0.5, 0.25))).toBeCloseTo(-6.0206, 3);
    expect(peakOf(new Float32Array(4))).toBe(Number.NEGATIVE_INFINITY);
  });
});
