import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { NOTE_STROKES, strokesOfLine } from "./strokes";

const BEAT = { ticks: 960, dotted: false };
const at = (...ticks: number[]) => ticks.map((tick) => note(tick, 3, 2));

describe("strokes of a line", () => {
  it("go by turns, or as the hand swings: 1, 2, 2&, 3& by hand", () => {
    const line = at(0, 960, 1440, 2400);
    expect(strokesOfLine(line, "by turns", BEAT)).toEqual(["down", "up", "down", "up"]);
    expect(strokesOfLine(line, "as the hand swings", BEAT)).toEqual(["down", "down", "up", "up"]);
    expect(strokesOfLine(line, "all down", BEAT)).toEqual(["down", "down", "down", "down"]);
    expect(strokesOfLine(line, "all up", BEAT)).toEqual(["up", "up", "up", "up"]);
    expect(strokesOfLine(line, null, BEAT)).toEqual([null, null, null, null]);
  });

  it("swing in sixteenths where the line has them: 1, 1e, 1&, 1a", () => {
    expect(strokesOfLine(at(0, 240, 480, 720), "as the hand swings", BEAT)).toEqual([
      "down",
      "up",
      "down",
      "up",
    ]);
    // An eighth between two beats is a down once a sixteenth stands in the line.
    expect(strokesOfLine(at(0, 480, 960, 1200), "as the hand swings", BEAT)).toEqual([
      "down",
      "down",
      "down",
      "up",
    ]);
  });

  it("begin each dotted beat down", () => {
    const line = at(0, 480, 960, 1440, 1920, 2400);
    expect(strokesOfLine(line, "as the hand swings", { ticks: 1440, dotted: true })).toEqual([
      "down",
      "up",
      "down",
      "down",
      "up",
      "down",
    ]);
  });

  it("leave out what is not struck, and go on from it", () => {
    const line = [
      note(0, 3, 2),
      note(480, 3, 4, { art: "hammer" }),
      note(960, 3, 2),
      note(1440, 3, 0, { art: "dead" }),
    ];
    expect(strokesOfLine(line, "by turns", BEAT)).toEqual(["down", null, "up", "down"]);
  });

  it("follow a stroke that a note says itself", () => {
    const line = [note(0, 3, 2), note(480, 3, 2, { stroke: "down" }), note(960, 3, 2)];
    expect(strokesOfLine(line, "by turns", BEAT)).toEqual(["down", "down", "up"]);
    expect(strokesOfLine(line, null, BEAT)).toEqual([null, "down", null]);
  });

  it("are one stroke for notes struck together, whatever the order they are given in", () => {
    const line = [note(480, 2, 2), note(0, 3, 2), note(480, 3, 2)];
    expect(strokesOfLine(line, "by turns", BEAT)).toEqual(["up", "down", "up"]);
  });

  it("by turns no two that follow each other are alike", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 64 }), { minLength: 1 }), (places) => {
        const line = at(...places.sort((a, b) => a - b).map((place) => place * 240));
        const strokes = strokesOfLine(line, "by turns", BEAT);
        for (const [index, stroke] of strokes.entries()) expect(stroke).not.toBe(strokes[index + 1]);
        for (const way of NOTE_STROKES) expect(strokesOfLine(line, way, BEAT)).toHaveLength(line.length);
      }),
    );
  });
});
