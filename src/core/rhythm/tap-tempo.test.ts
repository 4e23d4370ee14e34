import { describe, expect, it } from "vitest";
import { bpmOfTaps, withTap } from "./tap-tempo";

const tapped = (times: readonly number[]) =>
  times.reduce<readonly number[]>((taps, now) => withTap(taps, now), []);

describe("a tempo that is tapped", () => {
  it("is heard from the third tap on, by hand", () => {
    expect(bpmOfTaps(tapped([100, 600]))).toBeNull();
    expect(bpmOfTaps(tapped([100, 600, 1100]))).toBe(120);
    expect(bpmOfTaps(tapped([100, 590, 1100]))).toBe(120);
  });

  it("begins anew after a pause, and forgets all but the last eight", () => {
    expect(tapped([100, 600, 1100, 9000])).toEqual([9000]);
    expect(tapped(Array.from({ length: 12 }, (_, at) => at * 400))).toHaveLength(8);
  });
});
