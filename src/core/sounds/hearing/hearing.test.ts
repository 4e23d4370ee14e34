import { describe, expect, it } from "vitest";
import { allowedHours, allowedLevel, describeHours } from ".";

describe("how loud for how long", () => {
  /** NIOSH 98-126: 85 dBA for 8 hours, half the time for each 3 dB: 94 dBA an hour, 100 dBA a quarter of one. */
  it.each([
    [85, 8, "8 h"],
    [88, 4, "4 h"],
    [91, 2, "2 h"],
    [94, 1, "1 h"],
    [97, 0.5, "30 min"],
    [100, 0.25, "15 min"],
    [103, 0.125, "7.5 min"],
  ])("%i dBA may last %f hours a day", (dba, hours, said) => {
    expect(allowedHours(dba)).toBeCloseTo(hours, 10);
    expect(allowedLevel(hours)).toBeCloseTo(dba, 10);
    expect(describeHours(allowedHours(dba))).toBe(said);
  });

  it("says very short times in seconds", () => {
    expect(describeHours(allowedHours(118))).toBe("14 s");
  });
});
