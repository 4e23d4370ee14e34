import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import {
  barsOfPattern,
  countsOf,
  describePatternProblem,
  formatStrokes,
  onsetsOf,
  type PatternProblem,
  patternOf,
  readPattern,
  STRUM_LIBRARY,
  strokeTicks,
  ticksOfPattern,
  weightOf,
} from ".";

const FOUR = { beats: 4, unit: 4 };
const SIX = { beats: 6, unit: 8 };
const read = (text: string, subdivision = 2, swing = 0.5, meter = FOUR) =>
  unwrap(readPattern({ meter, subdivision, swing, text }));

describe("reading a pattern", () => {
  it("counts the skipped three as players do (common practice, no source)", () => {
    const pattern = read("D . D U . U D U");
    const struck = countsOf(pattern).filter((_, at) => pattern.strokes[at]!.kind !== "ring");
    expect(struck).toEqual(["1", "2", "&", "&", "4", "&"]);
    expect(onsetsOf(pattern)).toEqual([0, 960, 1440, 2400, 2880, 3360]);
    expect(barsOfPattern(pattern)).toBe(1);
  });

  it("places triplets, sixteenths and sixteenths of a dotted beat", () => {
    expect(strokeTicks(read("D U D", 3))).toEqual([0, 320, 640]);
    expect(strokeTicks(read("D U D U", 4))).toEqual([0, 240, 480, 720]);
    expect(strokeTicks(read("D U D U D U", 6, 0.5, SIX))).toEqual([0, 240, 480, 720, 960, 1200]);
    expect(strokeTicks(read("D U", 2, 0.5, SIX))).toEqual([0, 720]);
  });

  it("swings the second of each pair and leaves the first", () => {
    expect(strokeTicks(read("D U D U", 2, 0.75))).toEqual([0, 720, 960, 1680]);
    expect(strokeTicks(read("D U D U", 4, 0.75))).toEqual([0, 360, 480, 840]);
    expect(strokeTicks(read("D U", 2, 2 / 3))).toEqual([0, 640]);
  });

  it("counts eighths through a bar of six, and begins each bar at 1", () => {
    expect(countsOf(read("D U D D U D", 3, 0.5, SIX))).toEqual(["1", "2", "3", "4", "5", "6"]);
    expect(countsOf(read("D . U . D . U . D . U .", 6, 0.5, SIX)).slice(0, 4)).toEqual(["1", "&", "2", "&"]);
    expect(countsOf(read("D D D D", 4))).toEqual(["1", "e", "&", "a"]);
    expect(countsOf(read("D . D . D . D . D .")).slice(-2)).toEqual(["1", "&"]);
  });

  it("weighs strokes 2 unless said, and dead ones too", () => {
    expect(read("D1 D U3 x").strokes.map(weightOf)).toEqual([1, 2, 3, 2]);
  });

  it("makes half a bar of two beats", () => expect(barsOfPattern(read("D . D U"))).toBe(0.5));

  it("reads fingers and zones together", () => {
    const fingers = unwrap(readPattern({ meter: FOUR, subdivision: 2, text: "pm3 i", kind: "fingers" }));
    expect(fingers.strokes[0]).toEqual({ kind: "fingers", fingers: ["p", "m"], weight: 3 });
    const zones = unwrap(readPattern({ meter: FOUR, subdivision: 2, text: "L MH", kind: "zones" }));
    expect(zones.strokes[1]).toEqual({ kind: "zones", zones: ["M", "H"], weight: 2 });
  });

  it.each<[string, number, number, PatternProblem["code"]]>([
    ["", 2, 0.5, "empty"],
    ["D Q", 2, 0.5, "stroke"],
    ["D4 U", 2, 0.5, "stroke"],
    ["DU D", 2, 0.5, "stroke"],
    ["D U D", 2, 0.5, "beats-open"],
    ["D U", 5, 0.5, "subdivision"],
    ["D U D U D U", 6, 0.5, "subdivision"],
    ["D U", 2, 0.8, "swing"],
    ["D U", 2, Number.NaN, "swing"],
    ["D U D", 3, 0.6, "no-pairs"],
    ["D ".repeat(4098), 2, 0.5, "too-long"],
  ])("refuses %j cut by %d, swung %d: %s", (text, subdivision, swing, code) => {
    const found = readPattern({ meter: FOUR, subdivision, swing, text });
    expect(found.ok ? null : found.problem.code).toBe(code);
    if (!found.ok) expect(describePatternProblem(found.problem)).toMatch(/[.]$/u);
  });

  it("says which finger stands twice", () => {
    expect(readPattern({ meter: FOUR, subdivision: 2, text: "pp i", kind: "fingers" }).ok).toBe(false);
  });

  it("writes what it reads", () => {
    const sign = fc.constantFrom("D", "U", "D1", "D3", "U1", "U3", "x", ".", "-");
    fc.assert(
      fc.property(fc.array(fc.tuple(sign, sign), { minLength: 1, maxLength: 40 }), (pairs) => {
        const text = pairs.flat().join(" ");
        expect(formatStrokes(read(text).strokes)).toBe(text);
      }),
    );
  });

  it("keeps strokes in order inside the pattern, however it is swung", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 0.75, noNaN: true }),
        fc.constantFrom(2, 4),
        fc.integer({ min: 1, max: 8 }),
        (swing, subdivision, beats) => {
          const pattern = read("D ".repeat(beats * subdivision), subdivision, swing);
          const ticks = [...strokeTicks(pattern), ticksOfPattern(pattern)];
          expect(ticks.slice(1).every((tick, at) => tick > ticks[at]!)).toBe(true);
        },
      ),
    );
  });
});

describe("the library", () => {
  it("has no id and no figure twice, and every pattern reads", () => {
    expect(new Set(STRUM_LIBRARY.map((one) => one.id)).size).toBe(STRUM_LIBRARY.length);
    const figures = STRUM_LIBRARY.map((one) =>
      [one.meter.beats, one.meter.unit, one.subdivision, one.swing, one.text].join("|"),
    );
    expect(new Set(figures).size).toBe(figures.length);
    for (const one of STRUM_LIBRARY) expect(onsetsOf(patternOf(one)).length > 0).toBe(one.kind !== "free");
  });

  it("has bars and half bars in every metre, with a half bar in each that can be halved", () => {
    const meters = new Set(STRUM_LIBRARY.map((one) => `${one.meter.beats}/${one.meter.unit}`));
    expect([...meters].sort()).toEqual(["12/8", "3/4", "4/4", "6/8"]);
    for (const meter of ["4/4", "6/8", "12/8"]) {
      const own = STRUM_LIBRARY.filter((one) => `${one.meter.beats}/${one.meter.unit}` === meter);
      expect(own.some((one) => barsOfPattern(patternOf(one)) === 0.5)).toBe(true);
      expect(own.some((one) => barsOfPattern(patternOf(one)) === 1)).toBe(true);
    }
  });
});
