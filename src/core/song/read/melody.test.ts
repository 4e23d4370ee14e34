import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { oneVoice, rangeOfMelody, readMelody, writeMelody } from "./melody";

const note = (tick: number, ticks: number, pitch: number) => ({ tick, ticks, pitch });

describe("a melody", () => {
  it("is one note after the other: the highest of several, ended by the next", () => {
    expect(oneVoice([note(960, 960, 64), note(0, 1200, 60), note(0, 480, 55)])).toEqual([
      note(0, 960, 60),
      note(960, 960, 64),
    ]);
    expect(oneVoice([note(0, 0, 60), note(-1, 5, 60), note(0, 5, 128), note(0, 5, 60.5)])).toEqual([]);
  });

  it("has a range; without notes none", () => {
    expect(rangeOfMelody([note(0, 1, 67), note(1, 1, 60)])).toEqual([60, 67]);
    expect(rangeOfMelody([])).toBeNull();
  });

  it("law: what is written is read back, and anything else is passed over", () => {
    const notes = fc.array(
      fc.record({
        tick: fc.integer({ min: 0, max: 999_999 }),
        ticks: fc.integer({ min: 1, max: 99_999 }),
        pitch: fc.integer({ min: 0, max: 127 }),
      }),
    );
    fc.assert(
      fc.property(notes, (all) => {
        expect(readMelody(writeMelody(all))).toEqual(all);
      }),
    );
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(() => readMelody(text)).not.toThrow();
      }),
    );
    expect(readMelody("0 0 60,1 1 128,a,,5 5 60")).toEqual([note(5, 5, 60)]);
  });
});
