import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../testing/fretboard/sample-note";
import { lineStrokes } from "./line-strokes";

describe("strokes of a line in its metre", () => {
  it("swing in the metre's own beats", () => {
    const notes = [0, 480, 960].map((tick) => sampleNote(tick, 2, 3));
    const swinging = { strokes: "as the hand swings" } as const;
    expect(lineStrokes(swinging, notes, { beats: 4, unit: 4 })).toEqual(["down", "up", "down"]);
    expect(lineStrokes(swinging, [...notes, sampleNote(1440, 2, 3)], { beats: 6, unit: 8 })).toEqual([
      "down",
      "up",
      "down",
      "down",
    ]);
    expect(lineStrokes({ strokes: null }, notes, { beats: 4, unit: 4 })).toEqual([null, null, null]);
  });
});
