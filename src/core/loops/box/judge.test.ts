import { describe, expect, it } from "vitest";
import { chanceOf, type DuePress, judgePresses, oddsOf, placeOf, sayRun } from "./judge";
import { addUp, levelForLayers, peakOf } from "./levels";

const due = (seconds: number, act: string, more: Partial<DuePress> = {}): DuePress => ({
  seconds,
  act,
  place: "first",
  sung: false,
  ...more,
});

describe("judging a run", () => {
  it("tells right, early, late, the wrong pedal, and what was missed", () => {
    const judged = judgePresses(
      [due(10, "track-0"), due(20, "track-1"), due(30, "stop-all"), due(40, "track-0"), due(50, "track-1")],
      [
        { seconds: 10.05, act: "track-0" },
        { seconds: 19.7, act: "track-1" },
        { seconds: 30.4, act: "stop-all" },
        { seconds: 40.02, act: "track-1" },
      ],
    );
    expect(judged.map((one) => [one.judged, one.ms])).toEqual([
      ["right", 50],
      ["early", -300],
      ["late", 400],
      ["wrong", 20],
      ["missed", null],
    ]);
    expect(sayRun(judged)).toBe("1 of 5 right, on the whole 50 ms late; 1 missed, 1 on the wrong pedal.");
  });

  it("gives each press to one due only, the nearest first, and counts what nobody asked for", () => {
    const judged = judgePresses(
      [due(10, "track-0"), due(10.5, "track-0", { place: "late-stop" })],
      [
        { seconds: 10.02, act: "track-0" },
        { seconds: 10.51, act: "track-0" },
        { seconds: 60, act: "undo" },
      ],
    );
    expect(judged.map((one) => [one.judged, one.due])).toEqual([
      ["right", 0],
      ["right", 1],
      ["wrong", null],
    ]);
    expect(sayRun(judged)).toBe("2 of 2 right, on the whole 15 ms late; 1 not asked for.");
    expect(judgePresses([], [])).toEqual([]);
  });

  it("learns odds from the log and multiplies them", () => {
    expect(oddsOf([])("first", true)).toBe(0.5);
    const press = { ms: 0, place: "first", sung: false } as const;
    const odds = oddsOf([
      { presses: [...Array(7).fill({ ...press, judged: "right" }), { ...press, judged: "late" }] },
    ]);
    expect(odds("first", false)).toBe(0.8);
    expect(odds("late-start", false)).toBe(0.5);
    const plan = [
      { late: false, effect: "start", sung: false },
      { late: true, effect: "start", sung: false },
    ] as const;
    expect(chanceOf(plan, odds)).toBeCloseTo(0.4, 12);
    expect(chanceOf([], odds)).toBe(1);
    expect(plan.map(placeOf)).toEqual(["first", "late-start"]);
  });
});

describe("levels", () => {
  it("add up: two equal peaks are 6.02 dB louder at worst, 3.01 dB by power", () => {
    const { worst, likely } = addUp([-12, -12]);
    expect(worst).toBeCloseTo(-12 + 20 * Math.log10(2), 12);
    expect(likely).toBeCloseTo(-12 + 10 * Math.log10(2), 12);
    expect(addUp([-6]).worst).toBeCloseTo(-6, 12);
    expect(addUp([]).worst).toBe(Number.NEGATIVE_INFINITY);
  });

  it("leave the room they promise", () => {
    for (const layers of [1, 2, 3, 5, 8])
      expect(addUp(Array(layers).fill(levelForLayers(layers, -3))).worst).toBeCloseTo(-3, 9);
    expect(peakOf(Float32Array.of(0, -0.5, 0.25))).toBeCloseTo(-6.0206, 3);
    expect(peakOf(new Float32Array(4))).toBe(Number.NEGATIVE_INFINITY);
  });
});
