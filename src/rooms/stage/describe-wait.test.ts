import { describe, expect, it } from "vitest";
import { describeWait } from "./describe-wait";

describe("the countdown of who waits", () => {
  it("says how many bars are left, and where one comes in; nothing once one is in", () => {
    const told = (bars: number, at = "Verse 2", label = "Verse 2") =>
      describeWait({ label, waits: { bars, label: at } });
    expect(told(16, "Verse 2", "Verse 1")).toBe("you come in after 16 bars, at Verse 2");
    expect(told(1, "Verse 2", "Verse 1")).toBe("you come in after 1 bar, at Verse 2");
    expect(told(2)).toBe("you come in after 2 bars");
    expect(told(0)).toBe("");
    expect(describeWait({ label: "Outro", waits: null })).toBe("");
    // In the middle of a bar: the bar it is in is still waited for.
    expect(told(0.5)).toBe("you come in after 1 bar");
  });
});
