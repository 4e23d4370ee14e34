import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { expired, type Kept, keptAmong, keptOf, MOST_DAILY, MOST_HOURLY, nextName } from "./kept";

/** What is left when a backup is made at each of these times, ms since 1970, in this order. */
function leftAfter(times: readonly number[]): Kept[] {
  let names: string[] = [];
  for (const time of times) {
    names.push(nextName(keptAmong(names), new Date(time)));
    const gone = new Set(expired(keptAmong(names)).map(({ name }) => name));
    names = names.filter((name) => !gone.has(name));
  }
  return keptAmong(names);
}
const HOUR = 3_600_000;
const START = Date.UTC(2026, 10, 1);

describe("kept backups", () => {
  it("are named by number and time, and nothing else in the folder is taken for one", () => {
    expect(nextName([], new Date(START))).toBe("000001-2026-11-01T00-00-00Z.zip");
    const name = nextName([{ name: "", number: 41, at: "" }], new Date(START + 90_061_000));
    expect(keptOf(name)).toEqual({ name, number: 42, at: "2026-11-02T01:01:01Z" });
    const others = ["notes.zip", `${name}.part`, "x42-2026-11-01T00-00-00Z.zip", "42.zip"];
    expect(keptAmong([...others, name])).toEqual([keptOf(name)]);
  });

  it("are 24 by the hour and one for each of 14 days: hand-counted", () => {
    const left = leftAfter(Array.from({ length: 20 * 24 }, (_, hour) => START + hour * HOUR));
    // The last 24 are the whole of the twentieth day; of the 13 days before it, the last of each.
    expect(left).toHaveLength(24 + 13);
    expect(left[0]!.at).toBe("2026-11-20T23:00:00Z");
    expect(left.slice(24).map(({ at }) => at.slice(8, 13))).toEqual(
      Array.from({ length: 13 }, (_, back) => `${String(19 - back).padStart(2, "0")}T23`),
    );
  });

  it("law: the newest is always there, whatever the clock does, and never more than 38 are", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -400, max: 400 }), { minLength: 1, maxLength: 120 }),
        (steps) => {
          let time = START;
          const times = steps.map((step) => (time += step * HOUR));
          const left = leftAfter(times);
          expect(left[0]!.number).toBe(times.length);
          expect(left.length).toBeLessThanOrEqual(MOST_HOURLY + MOST_DAILY);
          expect(left.slice(0, MOST_HOURLY).map(({ number }) => number)).toEqual(
            Array.from({ length: Math.min(MOST_HOURLY, times.length) }, (_, back) => times.length - back),
          );
        },
      ),
    );
  });
});
