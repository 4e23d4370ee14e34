import { describe, expect, it } from "vitest";
import { DOUBLE_MS, HOLD_MS } from "./move-pedals";
import { type ControlEvent, nextTold, type Telling, tellPress } from "./told-press";

const down = (stamp: number, control = "key 1"): ControlEvent => ({ kind: "down", control, stamp });
const up = (stamp: number, control = "key 1"): ControlEvent => ({ kind: "up", control, stamp });
const time = (stamp: number): ControlEvent => ({ kind: "time", stamp });

function told(events: readonly ControlEvent[]) {
  let telling: Telling = null;
  const heard: string[] = [];
  for (const event of events) {
    const next = tellPress(telling, event);
    telling = next.telling;
    if (next.told) heard.push(`${next.told.control} ${next.told.way}`);
  }
  return { telling, heard };
}

describe("how a pedal is pressed", () => {
  it("is known as once when no second press came, twice at the second, held when it stayed down", () => {
    expect(told([down(0), up(80), time(DOUBLE_MS - 1)]).heard).toEqual([]);
    expect(told([down(0), up(80), time(DOUBLE_MS)]).heard).toEqual(["key 1 press"]);
    expect(told([down(0), up(80), down(200), up(260), time(5000)]).heard).toEqual(["key 1 double"]);
    expect(told([down(0), time(HOLD_MS), up(2000), time(5000)]).heard).toEqual(["key 1 hold"]);
    // A release that is told late was a hold all the same.
    expect(told([down(0), up(HOLD_MS + 200), time(5000)]).heard).toEqual(["key 1 hold"]);
  });

  it("tells two presses that lie far apart one by one", () => {
    expect(told([down(0), up(50), down(900), up(950), time(2000)]).heard).toEqual([
      "key 1 press",
      "key 1 press",
    ]);
  });

  it("goes by the pedal pressed last, and leaves other releases alone", () => {
    expect(told([down(0), down(100, "key 2"), up(150), up(200, "key 2"), time(2000)]).heard).toEqual([
      "key 2 press",
    ]);
  });

  it("says when it will be known", () => {
    expect(nextTold(null)).toBeNull();
    expect(nextTold(told([down(10)]).telling)).toBe(10 + HOLD_MS);
    expect(nextTold(told([down(10), up(50)]).telling)).toBe(10 + DOUBLE_MS);
  });
});
