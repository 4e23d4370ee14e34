import { describe, expect, it } from "vitest";
import { dotLabels } from "./dot-labels";

const shape = { frets: [2, null, 0, 2, 3, 2], pitches: ["F#2", "D3", "A3", "D4", "F#4"] };

describe("dotLabels", () => {
  it("gives each sounding string its note or its degree", () => {
    expect(dotLabels("fingers", shape, "D/F#")).toBeUndefined();
    expect(dotLabels("notes", shape, "D/F#")).toEqual(["F♯", null, "D", "A", "D", "F♯"]);
    expect(dotLabels("intervals", shape, "D/F#")).toEqual(["3", null, "1", "5", "1", "3"]);
    expect(dotLabels("intervals", { frets: [0, 1], pitches: ["E2", "Bb2"] }, "C/E")).toEqual(["3", "?"]);
    expect(dotLabels("intervals", { frets: [3], pitches: ["Eb3"] }, "Cm")).toEqual(["♭3"]);
    expect(dotLabels("intervals", { frets: [1, 3], pitches: ["Bb2", "C3"] }, "C/Bb")).toEqual(["♭7", "1"]);
  });
});
