import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  answeredAt,
  heardFrom,
  NO_BOUNDS,
  nextAskIn,
  type OffsetBounds,
  offsetAt,
  serverTime,
} from "./clock-offset";

describe("offsetAt", () => {
  it("is half way between what one answer allows", () => {
    const found = offsetAt(answeredAt(NO_BOUNDS, 1000, 5020, 1040), 1040)!;
    expect(found.offset).toBeCloseTo(4000, 1);
    expect(found.within).toBeGreaterThanOrEqual(20);
    expect(found.within).toBeLessThan(20.1); // 400 ppm of 40 ms more
    expect(serverTime(found, 2040)).toBeCloseTo(6040, 0);
  });

  it("is unknown before an answer", () => {
    expect(offsetAt(NO_BOUNDS, 0)).toBeNull();
    expect(offsetAt(heardFrom(NO_BOUNDS, 100, 50), 50)).toBeNull();
  });

  it("narrows with every message that was quick one way", () => {
    let bounds = answeredAt(NO_BOUNDS, 0, 1200, 400);
    const wide = offsetAt(bounds, 400)!.within;
    bounds = heardFrom(bounds, 1405, 410);
    expect(offsetAt(bounds, 410)!.within).toBeLessThan(wide);
  });

  it("takes the newest answer when a clock was set in between", () => {
    let bounds = answeredAt(NO_BOUNDS, 0, 1000, 2);
    bounds = answeredAt(bounds, 1000, 61_001, 1002);
    expect(offsetAt(bounds, 1002)!.offset).toBeCloseTo(60_000, 0);
    expect(offsetAt(heardFrom(bounds, 200_000, 2000), 2000)).toBeNull();
  });

  it("is off by no more than it says, whatever the messages' delays and the drift", () => {
    const delay = fc.double({ min: 0, max: 300, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(delay, delay), { minLength: 1, maxLength: 60 }),
        fc.double({ min: -300e-6, max: 300e-6, noNaN: true }),
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        (delays, drift, ahead) => {
          // True time is the server's; ours runs with a drift.
          const here = (time: number) => (time - ahead) * (1 + drift);
          let bounds: OffsetBounds = NO_BOUNDS;
          let time = 5_000_000;
          for (const [there, back] of delays) {
            bounds = answeredAt(bounds, here(time), time + there, here(time + there + back));
            time += 2000;
          }
          const found = offsetAt(bounds, here(time))!;
          expect(Math.abs(serverTime(found, here(time)) - time)).toBeLessThanOrEqual(found.within + 1);
        },
      ),
    );
  });
});

describe("nextAskIn", () => {
  it("asks often at first and on an uneven line, calmly on a good one", () => {
    expect(nextAskIn(0, null)).toBe(100);
    expect(nextAskIn(29, 50)).toBe(100);
    expect(nextAskIn(30, 50)).toBe(400);
    expect(nextAskIn(2, 3)).toBe(3000);
  });
});
