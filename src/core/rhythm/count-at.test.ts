import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { countAt } from "./count-at";
import { ticksOfBar } from "./meter";
import { countsOf, readPattern } from "./strum";

describe("countAt", () => {
  it("names beats, halves, quarters and thirds", () => {
    const four = { beats: 4, unit: 4 };
    expect([0, 240, 480, 720, 960].map((tick) => countAt(tick, four))).toEqual(["1", "e", "&", "a", "2"]);
    expect([320, 640].map((tick) => countAt(tick, four))).toEqual(["&", "a"]);
    expect(countAt(3840 + 960, four)).toBe("2");
    expect(countAt(-480, four)).toBe("&");
    expect(countAt(100, four)).toBe("");
  });

  it("counts eighths through where beats have three", () => {
    const six = { beats: 6, unit: 8 };
    expect([0, 480, 960, 1440, 2400].map((tick) => countAt(tick, six))).toEqual(["1", "2", "3", "4", "6"]);
    expect([240, 1680].map((tick) => countAt(tick, six))).toEqual(["&", "&"]);
  });

  it.each([
    [{ beats: 4, unit: 4 }, 2],
    [{ beats: 4, unit: 4 }, 4],
    [{ beats: 3, unit: 4 }, 3],
    [{ beats: 6, unit: 8 }, 3],
    [{ beats: 6, unit: 8 }, 6],
    [{ beats: 2, unit: 2 }, 4],
  ] as const)("is what is counted over a strum of %o in parts of %i (law)", (meter, subdivision) => {
    const places = { 2: 2, 3: 3, 4: 4, 6: 6 }[subdivision] * (meter.unit === 8 ? 2 : meter.beats);
    const text = Array.from({ length: places }, () => "D").join(" ");
    const pattern = unwrap(readPattern({ kind: "strum", meter, subdivision, swing: 0.5, text }));
    const step = ticksOfBar(meter) / places;
    expect(pattern.strokes.map((_, at) => countAt(at * step, meter))).toEqual(countsOf(pattern));
  });
});
