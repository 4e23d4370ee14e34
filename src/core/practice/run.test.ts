import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BAR, BEAT, plainPassage } from "../../../testing/stage/plain-passage";
import { type CLICKS, clicksOfRun, countIn } from "./click";
import { barLinesOf, layRun, msOfTick, placeInRun, type RunWish, wholeOf } from "./run";

const SONG = [plainPassage(2), plainPassage(4, { id: "u 1", firstBar: 3, bpm: 60 })];
const wish = (fields: Partial<RunWish> = {}): RunWish => ({
  ...wholeOf(SONG),
  speed: 1,
  countBars: 1,
  gapBars: 0,
  circles: false,
  ...fields,
});

describe("a run through a song", () => {
  it("counts in, goes through each section at its tempo, and is over, by hand", () => {
    const run = layRun(SONG, wish());
    expect([run.countMs, run.soundMs]).toEqual([2000, 2 * 2000 + 4 * 4000]);
    expect(placeInRun(run, 0)).toMatchObject({ phase: "count", count: 1, passage: 0, bar: 1 });
    expect(placeInRun(run, 1600)).toMatchObject({ phase: "count", count: 4 });
    expect(placeInRun(run, 2000)).toMatchObject({ phase: "play", count: 0, bar: 1, beat: 1 });
    expect(placeInRun(run, 2000 + 4000)).toMatchObject({ phase: "play", passage: 1, bar: 3, beat: 1 });
    expect(placeInRun(run, 2000 + 4000 + 5000)).toMatchObject({ bar: 4, beat: 2, tick: 5 * BEAT });
    expect(placeInRun(run, 22_000).phase).toBe("over");
  });

  it("goes round two bars, slowly, with a bar between", () => {
    const run = layRun(SONG, wish({ from: BAR, to: 3 * BAR, speed: 0.5, circles: true, gapBars: 1 }));
    // A bar of the first section lasts four seconds then, one of the second eight.
    expect([run.countMs, run.soundMs, run.roundMs]).toEqual([4000, 12_000, 20_000]);
    expect(placeInRun(run, 4000)).toMatchObject({ phase: "play", round: 0, bar: 2 });
    expect(placeInRun(run, 16_000)).toMatchObject({ phase: "gap", round: 0, bar: 3 });
    expect(placeInRun(run, 24_000)).toMatchObject({ phase: "play", round: 1, bar: 2, beat: 1 });
  });

  it("counts a pickup's song in so that the pickup comes on the last beat counted", () => {
    const lifted = plainPassage(2, { ticks: 2 * BAR + BEAT, bars: [BEAT, BAR + BEAT] });
    const run = layRun([lifted], { ...wish(), ...wholeOf([lifted]) });
    expect(run.countMs).toBe(1500);
    expect(countIn(run).map(({ ms, first }) => [ms, first])).toEqual([
      [0, true],
      [500, false],
      [1000, false],
    ]);
    expect(barLinesOf([lifted])).toEqual([0, BAR + BEAT, 2 * BAR + BEAT]);
  });

  it("clicks as it is asked to", () => {
    const run = layRun(SONG, wish({ to: 2 * BAR }));
    const at = (click: (typeof CLICKS)[number]) =>
      clicksOfRun(run, click).map(({ ms }) => Math.round(ms * 1e6) / 1e6);
    expect(at("none")).toEqual([]);
    expect(at("beats")).toEqual([0, 500, 1000, 1500, 2000, 2500, 3000, 3500]);
    expect(at("halves")).toEqual([0, 1000, 2000, 3000]);
    expect(at("offbeats")).toEqual([250, 750, 1250, 1750, 2250, 2750, 3250, 3750]);
    expect(at("every other bar")).toEqual([0, 500, 1000, 1500]);
    expect(clicksOfRun(run, "beats").filter(({ first }) => first)).toHaveLength(2);
  });

  it("has no stretch without length", () => {
    expect(() => layRun(SONG, wish({ from: BAR, to: BAR }))).toThrow("Expected a stretch");
  });

  it("is where its ticks say, at any speed and in any round", () => {
    const stretch = fc
      .tuple(fc.nat(5), fc.nat(5), fc.double({ min: 0.3, max: 1.3, noNaN: true }), fc.nat(2), fc.nat(40))
      .filter(([from, to]) => from < to);
    fc.assert(
      fc.property(stretch, fc.double({ min: 0, max: 0.999, noNaN: true }), (made, share) => {
        const [from, to, speed, gapBars, round] = made;
        const run = layRun(SONG, wish({ from: from * BAR, to: to * BAR, speed, gapBars, circles: true }));
        const tick = (from + (to - from) * share) * BAR;
        const place = placeInRun(run, run.countMs + round * run.roundMs + msOfTick(run, tick));
        expect(place.phase).toBe("play");
        expect(place.round).toBe(round);
        expect(run.begins[place.passage]! + place.tick).toBeCloseTo(tick, 2);
      }),
    );
  });
});
