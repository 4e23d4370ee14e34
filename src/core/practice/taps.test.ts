import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { describeTaps, isInTime, judgeTaps } from "./taps";

describe("taps beside strokes", () => {
  it("gives each stroke its nearest tap, by hand", () => {
    expect(judgeTaps([0, 500, 1000], [20, 470, 700, 1010])).toEqual({ late: [20, -30, 10], extra: 1 });
    expect(judgeTaps([0, 500], [510])).toEqual({ late: [null, 10], extra: 0 });
    expect(judgeTaps([], [3])).toEqual({ late: [], extra: 1 });
  });

  it("says it in a sentence", () => {
    expect(describeTaps(judgeTaps([0, 500, 1000], [22, 520, 1021]))).toBe(
      "3 of 3 within 60 ms, on the whole 21 ms late.",
    );
    expect(describeTaps(judgeTaps([0, 500, 1000], [2, 740]))).toBe(
      "1 of 3 within 60 ms, on the whole in time; 2 left out, 1 not asked for.",
    );
  });

  it("is in time when most of it is", () => {
    const due = Array.from({ length: 20 }, (_, at) => at * 400);
    expect(
      isInTime(
        judgeTaps(
          due,
          due.map((ms) => ms + 50),
        ),
      ),
    ).toBe(true);
    expect(
      isInTime(
        judgeTaps(
          due,
          due.map((ms) => ms + 90),
        ),
      ),
    ).toBe(false);
    expect(isInTime(judgeTaps(due, []))).toBe(false);
  });

  it("gives no tap twice: taps are those given and those not asked for", () => {
    const times = fc
      .uniqueArray(fc.nat(20_000), { maxLength: 40 })
      .map((list) => list.toSorted((a, b) => a - b));
    fc.assert(
      fc.property(times, times, (due, made) => {
        const { late, extra } = judgeTaps(due, made);
        expect(late.filter((ms) => ms !== null).length + extra).toBe(made.length);
        for (const ms of late) if (ms !== null) expect(Math.abs(ms)).toBeLessThanOrEqual(200);
      }),
    );
  });
});
