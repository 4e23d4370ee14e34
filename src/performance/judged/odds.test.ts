import { describe, expect, it } from "vitest";
import type { LoopRun } from "@/core/song/schema";
import { placeOf } from "../loops";
import { chanceOf, costliest, oddsOf } from "./odds";

type Press = LoopRun["presses"][number];
const press = (judged: Press["judged"], more: Partial<Press> = {}): Press => ({
  ms: 0,
  place: "first",
  sung: false,
  judged,
  ...more,
});

describe("odds", () => {
  it("learns odds from the log and multiplies them", () => {
    expect(oddsOf([])({ place: "first", sung: true })).toBe(0.5);
    const odds = oddsOf([{ presses: [...Array(7).fill(press("right")), press("late")] }]);
    expect(odds({ place: "first", sung: false })).toBe(0.8);
    expect(odds({ place: "late-start", sung: false })).toBe(0.5);
    const plan = [
      { late: false, effect: "start", sung: false },
      { late: true, effect: "start", sung: false },
    ] as const;
    const due = plan.map((one) => ({ place: placeOf(one), sung: one.sung }));
    expect(chanceOf(due, odds)).toBeCloseTo(0.4, 12);
    expect(chanceOf([], odds)).toBe(1);
    expect(plan.map(placeOf)).toEqual(["first", "late-start"]);
  });

  it("goes by the place in the song where that has been tried often enough", () => {
    const here = { where: "u1", act: "track-0" };
    const runs = [{ presses: [press("wrong", here), press("late", here), ...Array(8).fill(press("right"))] }];
    const asked = { place: "first", sung: false, ...here } as const;
    expect(oddsOf(runs)(asked)).toBe(9 / 12);
    expect(oddsOf([...runs, { presses: [press("missed", here)] }])(asked)).toBe(1 / 5);
    expect(oddsOf(runs)({ ...asked, where: "u2" })).toBe(9 / 12);
  });

  it("names the presses that cost most, none that was tried once or never went wrong", () => {
    const at = (where: string, judged: Press["judged"]) => press(judged, { where, act: "track-1" });
    const runs = [
      { presses: [at("a", "right"), at("b", "wrong"), at("c b@2", "late"), at("d", "wrong")] },
      { presses: [at("a", "right"), at("b", "missed"), at("c b@2", "right")] },
    ];
    expect(costliest(runs, 2)).toEqual([
      { where: "b", act: "track-1", right: 0, all: 2 },
      { where: "c b@2", act: "track-1", right: 1, all: 2 },
    ]);
    expect(costliest([], 2)).toEqual([]);
  });
});
