import { describe, expect, it } from "vitest";
import type { StageRiff, StageSheet } from "@/core/stage";
import { sampleNote } from "../../../testing/fretboard/sample-note";
import { barOfLine, firstBarOf } from "./bar-of-line";

const line: StageRiff = {
  name: "Bells",
  tuning: 6,
  notes: [sampleNote(0, 5, 3), sampleNote(480, 4, 1), sampleNote(3840, 3, 2)],
  bars: [0, 3840],
  ticks: 7680,
  beat: 960,
  strings: ["E", "A", "D", "G", "B", "E"],
  names: ["G4", "C4", "A3"],
  reads: "tab",
  strokes: ["down", "up", null],
  fingers: [3, 1, 2],
  counts: ["1", "&", "1"],
};

describe("barOfLine", () => {
  it("has the notes of that bar with what is said of each", () => {
    expect(barOfLine(line, 0)).toMatchObject({
      bars: [0],
      ticks: 3840,
      names: ["G4", "C4"],
      fingers: [3, 1],
    });
    expect(barOfLine(line, 4000)).toMatchObject({
      bars: [3840],
      ticks: 7680,
      names: ["A3"],
      strokes: [null],
    });
  });

  it("comes next only where tab is the sheet then", () => {
    const sheet = { line, shapes: [{}] } as unknown as StageSheet;
    expect(firstBarOf(sheet, "both")?.names).toEqual(["G4", "C4"]);
    expect(firstBarOf(sheet, "chords")).toBeNull();
    expect(firstBarOf({ ...sheet, line: null }, "both")).toBeNull();
    expect(firstBarOf(null, "both")).toBeNull();
  });
});
