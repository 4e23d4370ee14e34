import { describe, expect, it } from "vitest";
import { placeOf } from "../loops";
import { chanceOf, oddsOf } from "./odds";

describe("odds", () => {
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
    const due = plan.map((press) => ({ place: placeOf(press), sung: press.sung }));
    expect(chanceOf(due, odds)).toBeCloseTo(0.4, 12);
    expect(chanceOf([], odds)).toBe(1);
    expect(plan.map(placeOf)).toEqual(["first", "late-start"]);
  });
});
