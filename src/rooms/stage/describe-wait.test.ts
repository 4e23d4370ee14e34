import { describe, expect, it } from "vitest";
import { describeWait } from "./StagePieces";

describe("the countdown of who waits", () => {
  it("says how many bars are left, and where one comes in; nothing once one is in", () => {
    const here = { label: "Verse 2", waits: { bars: 2, label: "Verse 2" } };
    const ahead = { label: "Verse 1", waits: { bars: 16, label: "Verse 2" } };
    expect(describeWait(ahead, 0)).toBe("you come in after 16 bars, at Verse 2");
    expect(describeWait(ahead, 15)).toBe("you come in after 1 bar, at Verse 2");
    expect(describeWait(here, 0)).toBe("you come in after 2 bars");
    expect(describeWait(here, 2)).toBe("");
    expect(describeWait({ label: "Outro", waits: null }, 0)).toBe("");
    // In the middle of a bar: the bar it is in is still waited for.
    expect(describeWait({ label: "Verse 2", waits: { bars: 1.5, label: "Verse 2" } }, 1)).toBe(
      "you come in after 1 bar",
    );
  });
});
