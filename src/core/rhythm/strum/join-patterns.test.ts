import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { describeJoinProblem, joinPatterns, throughBars } from "./join-patterns";
import { barsOfPattern, onsetsOf, ticksOfPattern } from "./times";
import { formatStrokes, readPattern } from "./written";

const FOUR = { beats: 4, unit: 4 };
const SIX = { beats: 6, unit: 8 };
const read = (
  text: string,
  subdivision = 2,
  more: { swing?: number; kind?: "fingers" | "zones" | "free"; meter?: typeof FOUR } = {},
) => unwrap(readPattern({ meter: FOUR, subdivision, text, ...more }));

const strokes = fc.constantFrom("D", "U", "x", ".", "-", "D3", "Uo1");
const anyPattern = fc
  .tuple(fc.constantFrom(2, 4), fc.integer({ min: 1, max: 8 }))
  .chain(([subdivision, beats]) =>
    fc
      .array(strokes, { minLength: subdivision * beats, maxLength: subdivision * beats })
      .map((texts) => read(texts.join(" "), subdivision)),
  );

describe("patterns joined", () => {
  it("half a bar, half a bar and a bar make two bars", () => {
    const [half, bar] = [read("D . D U"), read("D . D U . U D U")];
    const joined = unwrap(joinPatterns([half, half, bar]));
    expect(formatStrokes(joined.strokes)).toBe("D . D U D . D U D . D U . U D U");
    expect(barsOfPattern(joined)).toBe(2);
  });

  it("eighths beside sixteenths are written in sixteenths", () => {
    const joined = unwrap(joinPatterns([read("D U"), read("D U D U", 4)]));
    expect([joined.subdivision, formatStrokes(joined.strokes)]).toEqual([4, "D . U . D U D U"]);
  });

  it("strike where each of them does, one after the other", () => {
    fc.assert(
      fc.property(fc.array(anyPattern, { minLength: 1, maxLength: 4 }), (patterns) => {
        const joined = unwrap(joinPatterns(patterns));
        let from = 0;
        const expected = patterns.flatMap((pattern) => {
          const own = onsetsOf(pattern).map((tick) => tick + from);
          from += ticksOfPattern(pattern);
          return own;
        });
        expect(onsetsOf(joined)).toEqual(expected);
        expect(ticksOfPattern(joined)).toBe(from);
      }),
    );
  });

  it("are refused where they can't be one, in a sentence", () => {
    const cases = [
      [[], "nothing"],
      [[read("D U"), read("D U D", 3, { meter: SIX })], "meters"],
      [[read("D U"), read("D U", 2, { swing: 0.6 })], "swings"],
      [[read("D U", 2, { swing: 0.6 }), read("D U D U", 4, { swing: 0.6 })], "swings"],
      [[read("D U"), read("D U D", 3)], "grids"],
      [[read("D U"), read("p i", 2, { kind: "fingers" })], "signs"],
      [[read("L M", 2, { kind: "zones" }), read("p i", 2, { kind: "fingers" })], "signs"],
      [[read("D U", 2, { kind: "free" }), read("D U")], "free"],
      [Array.from({ length: 300 }, () => read("D U D U D U D U D U D U D U D U")), "too-long"],
    ] as const;
    for (const [patterns, code] of cases) {
      const joined = joinPatterns(patterns);
      expect(joined.ok ? "joined" : joined.problem.code).toBe(code);
      if (!joined.ok) expect(describeJoinProblem(joined.problem)).toMatch(/^[A-Z0-9].*\.$/u);
    }
  });
});

describe("a pattern written out through a section", () => {
  it("is repeated, and cut where the section ends", () => {
    expect(formatStrokes(throughBars(read("D . D U"), 2).strokes)).toBe("D . D U D . D U D . D U D . D U");
    expect(formatStrokes(throughBars(read("D . D U . U D U D D D D U U U U"), 1).strokes)).toBe(
      "D . D U . U D U",
    );
  });

  it("is cut at the most a pattern can have, on a whole beat", () => {
    const long = throughBars(read("D U D", 3), 10_000);
    expect(long.strokes.length).toBe(4095);
  });
});
