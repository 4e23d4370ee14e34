import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bandLoad, correctionOf, loadOf, type ToLearn } from "./load";

const NOTHING: ToLearn = {
  sections: 0,
  exceptions: 0,
  shapes: [],
  changes: [],
  patterns: [],
  lines: [],
  presses: 0,
};

describe("how long a song takes to learn", () => {
  it("adds up what must be learned, by hand", () => {
    const load = loadOf(
      {
        sections: 4,
        exceptions: 2,
        // An easy one, one of four points, and a very hard one.
        shapes: [1, 4, 40],
        changes: [3, 8],
        patterns: [4, 8],
        lines: [10],
        presses: 5,
      },
      "steady",
    );
    expect(load.items).toEqual([
      { kind: "sections", count: 4, minutes: 3 },
      { kind: "shapes", count: 3, minutes: 7.2 },
      { kind: "changes", count: 2, minutes: 2 },
      { kind: "patterns", count: 2, minutes: 4 },
      { kind: "lines", count: 1, minutes: 2 },
      { kind: "exceptions", count: 2, minutes: 1 },
      { kind: "presses", count: 5, minutes: 2 },
    ]);
    expect([load.low, load.high]).toEqual([14.8, 33.9]);
  });

  it("takes nothing where there is nothing to learn", () => {
    expect(loadOf(NOTHING, "beginner")).toEqual({ items: [], low: 0, high: 0 });
    expect(bandLoad([])).toEqual({ low: 0, high: 0 });
  });

  it("takes a band as long as its slowest, and what it must do together once more", () => {
    const one = loadOf({ ...NOTHING, sections: 4 }, "steady");
    const other = loadOf({ ...NOTHING, sections: 4, lines: [50] }, "steady");
    expect(bandLoad([one, other])).toEqual({
      low: Math.round((other.low + 3 * 0.7) * 10) / 10,
      high: Math.round((other.high + 3 * 1.6) * 10) / 10,
    });
  });

  it("never takes less for more to learn, nor for a weaker hand", () => {
    const numbers = fc.array(fc.double({ min: 0, max: 30, noNaN: true }), { maxLength: 8 });
    const some = fc.record({
      sections: fc.nat(20),
      exceptions: fc.nat(20),
      shapes: numbers,
      changes: numbers,
      patterns: numbers,
      lines: numbers,
      presses: fc.nat(20),
    });
    fc.assert(
      fc.property(some, some, (a, b) => {
        const both: ToLearn = {
          sections: a.sections + b.sections,
          exceptions: a.exceptions + b.exceptions,
          shapes: [...a.shapes, ...b.shapes],
          changes: [...a.changes, ...b.changes],
          patterns: [...a.patterns, ...b.patterns],
          lines: [...a.lines, ...b.lines],
          presses: a.presses + b.presses,
        };
        expect(loadOf(both, "steady").high).toBeGreaterThanOrEqual(loadOf(a, "steady").high - 0.2);
        expect(loadOf(a, "beginner").high).toBeGreaterThanOrEqual(loadOf(a, "fluent").high);
        expect(loadOf(a, "steady").low).toBeLessThanOrEqual(loadOf(a, "steady").high);
      }),
    );
  });

  it("is corrected by what songs really took, from two on", () => {
    expect(correctionOf([])).toBe(1);
    expect(correctionOf([{ said: 20, took: 60 }])).toBe(1);
    expect(
      correctionOf([
        { said: 20, took: 30 },
        { said: 10, took: 12 },
      ]),
    ).toBeCloseTo(1.35, 9);
    expect(
      correctionOf([
        { said: 1, took: 30 },
        { said: 1, took: 50 },
      ]),
    ).toBe(2);
  });
});
