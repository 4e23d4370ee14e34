import { describe, expect, it } from "vitest";
import { dotLabels } from "./dot-labels";

const shape = { frets: [2, null, 0, 2, 3, 2], pitches: ["F#2", "D3", "A3", "D4", "F#4"] };

const letter = (pitchClass: number) => "C D♭ D E♭ E F F♯ G A♭ A B♭ B".split(" ")[pitchClass]!;

describe("dotLabels", () => {
  it("gives each sounding string its note or its degree", () => {
    expect(dotLabels("fingers", shape, "D/F#", letter)).toBeUndefined();
    expect(dotLabels("notes", shape, "D/F#", letter)).toEqual(["F♯", null, "D", "A", "D", "F♯"]);
    expect(dotLabels("intervals", shape, "D/F#", letter)).toEqual(["3", null, "1", "5", "1", "3"]);
    expect(dotLabels("intervals", { frets: [0, 1], pitches: ["E2", "Bb2"] }, "C/E", letter)).toEqual([
      "3",
      "?",
    ]);
    expect(dotLabels("intervals", { frets: [3], pitches: ["Eb3"] }, "Cm", letter)).toEqual(["♭3"]);
    expect(dotLabels("intervals", { frets: [1, 3], pitches: ["Bb2", "C3"] }, "C/Bb", letter)).toEqual([
      "♭7",
      "1",
    ]);
  });
});
