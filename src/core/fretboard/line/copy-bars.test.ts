import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { unwrap } from "../../../base";
import { copyBars, describeCopyProblem } from "./copy-bars";

const BAR = 3840;
const told = (notes: readonly { tick: number; string: number; fret: number }[]) =>
  notes.map(({ tick, string, fret }) => `${tick / BAR} ${string}:${fret}`).join(", ");

describe("bars of a line again somewhere else", () => {
  const cell = [note(0, 1, 5), note(BAR / 2, 2, 7), note(BAR / 2, 5, 0)];

  it("are the same cell, the shape two frets up, open strings left open", () => {
    const { notes, ticks } = unwrap(copyBars(cell, BAR, BAR, { from: 0, bars: 1, to: 1, frets: 2 }));
    expect(told(notes)).toBe("0 1:5, 0.5 2:7, 0.5 5:0, 1 1:7, 1.5 2:9, 1.5 5:0");
    expect(ticks).toBe(2 * BAR);
  });

  it("take the place of what stood there, and leave the rest", () => {
    const line = [...cell, note(BAR, 0, 3), note(2 * BAR, 0, 1)];
    const { notes, ticks } = unwrap(copyBars(line, BAR, 3 * BAR, { from: 0, bars: 1, to: 1, frets: 0 }));
    expect(told(notes)).toBe("0 1:5, 0.5 2:7, 0.5 5:0, 1 1:5, 1.5 2:7, 1.5 5:0, 2 0:1");
    expect(ticks).toBe(3 * BAR);
  });

  it("are refused where there is nothing, or no neck, in a sentence", () => {
    for (const [given, code] of [
      [{ from: 4, bars: 1, to: 5, frets: 0 }, "nothing"],
      [{ from: 0, bars: 1, to: 1, frets: 20 }, "off-neck"],
      [{ from: 0, bars: 1, to: 1, frets: -6 }, "off-neck"],
    ] as const) {
      const copied = copyBars(cell, BAR, BAR, given);
      expect(copied.ok ? null : copied.problem.code).toBe(code);
      if (!copied.ok) expect(describeCopyProblem(copied.problem)).toMatch(/[.]$/u);
    }
  });
});
