import { describe, expect, it } from "vitest";
import { beatsOfTicks, countBeats, ticksOfBeats } from "./beats";
import { beatsOfBar, beatUnitOf, ticksOfBar, ticksOfBeatUnit } from "./meter";
import { tempoMs } from "./tempo";
import { checkMeter, readMeter } from "./written-meter";

describe("metres", () => {
  it.each([
    [4, 4, "1/4", 4, 3840],
    [3, 4, "1/4", 3, 2880],
    [6, 8, "1/4.", 2, 2880],
    [12, 8, "1/4.", 4, 5760],
    [5, 8, "1/8", 5, 2400],
    [2, 2, "1/2", 2, 3840],
  ])("%i/%i is felt in %s: %i beats, %i ticks", (beats, unit, beatUnit, count, ticks) => {
    expect(beatUnitOf({ beats, unit })).toBe(beatUnit);
    expect(beatsOfBar({ beats, unit })).toBe(count);
    expect(ticksOfBar({ beats, unit })).toBe(ticks);
  });

  it("refuses 5/0, 0/4 and 4/3", () => {
    expect(checkMeter({ beats: 5, unit: 0 })).toMatchObject({ ok: false, problem: { code: "meter-unit" } });
    expect(checkMeter({ beats: 0, unit: 4 })).toMatchObject({ ok: false, problem: { code: "meter-beats" } });
    expect(checkMeter({ beats: 4, unit: 3 }).ok).toBe(false);
    expect(checkMeter({ beats: 2.5, unit: 4 }).ok).toBe(false);
  });

  it("reads a metre and refuses other text", () => {
    expect(readMeter(" 6 / 8 ")).toEqual({ beats: 6, unit: 8 });
    expect(readMeter("six eight")).toBeNull();
  });
});

describe("beats and ticks", () => {
  it("converts to the nearest tick within a thousandth of a beat", () => {
    expect(ticksOfBeats(1.5, "1/4")).toBe(1440);
    expect(ticksOfBeats(0.3333333, "1/4")).toBe(320);
    expect(ticksOfBeats(1, "1/4.")).toBe(1440);
    expect(ticksOfBeats(0.0005, "1/4")).toBe(0);
    expect(ticksOfBeats(Number.NaN, "1/4")).toBeNull();
    expect(ticksOfBeats(1, "1/5")).toBeNull();
    expect(ticksOfBeatUnit("1/8.")).toBe(720);
    expect(beatsOfTicks(1440, "1/4.")).toBe(1);
  });

  // A quarter at 60 lasts a second: 60000 / bpm ms.
  it("lasts 60000 / bpm ms a beat", () => {
    expect(tempoMs(960, { bpm: 60, beatUnit: "1/4" })).toBe(1000);
    expect(tempoMs(1440, { bpm: 60, beatUnit: "1/4." })).toBe(1000);
  });

  it("is said with the right number", () => {
    expect([1, 2, 0.5].map(countBeats)).toEqual(["1 beat", "2 beats", "half a beat"]);
  });
});
