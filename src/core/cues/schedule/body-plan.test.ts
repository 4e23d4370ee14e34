import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Act, BODY_PARTS_USED, type BodyPartUsed, moveOffers, planBody } from "./body-plan";

const act = (id: string, takes: BodyPartUsed[], ms: number, from: number, until: number): Act => ({
  id,
  takes,
  ms,
  from,
  until,
});

/** Every order of the acts, each begun as soon as it can be: how late they are at the least. */
function slowest(acts: readonly Act[]): number {
  const go = (left: readonly Act[], ready: ReadonlyMap<BodyPartUsed, number>): number =>
    left.length === 0
      ? 0
      : Math.min(
          ...left.map((one) => {
            const start = Math.max(one.from, ...one.takes.map((part) => ready.get(part) ?? 0));
            const after = new Map(ready);
            for (const part of one.takes) after.set(part, start + one.ms);
            const late = Math.max(0, start + one.ms - one.until);
            return (
              late +
              go(
                left.filter((other) => other !== one),
                after,
              )
            );
          }),
        );
  return go(acts, new Map());
}

const someActs = fc
  .array(
    fc.record({
      takes: fc.uniqueArray(fc.constantFrom(...BODY_PARTS_USED.slice(0, 3)), { minLength: 1, maxLength: 2 }),
      ms: fc.integer({ min: 1, max: 40 }),
      from: fc.integer({ min: 0, max: 60 }),
      room: fc.integer({ min: 0, max: 40 }),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((list) =>
    list.map(({ takes, ms, from, room }, at) => act(`a${at}`, takes, ms, from, from + ms + room)),
  );

describe("the plan of one body", () => {
  it("is as little late as any order can be, and keeps its own rules", () => {
    fc.assert(
      fc.property(someActs, (acts) => {
        const plan = planBody(acts);
        expect(plan.overload).toBe(slowest(acts));
        expect(plan.exact).toBe(true);
        expect(plan.acts.map(({ id }) => id).sort()).toEqual(acts.map(({ id }) => id).sort());
        for (const [at, one] of plan.acts.entries()) {
          expect(one.start).toBeGreaterThanOrEqual(one.from);
          expect(one.slack).toBe(one.until - one.start - one.ms);
          for (const other of plan.acts.slice(at + 1))
            if (other.takes.some((part) => one.takes.includes(part)))
              expect(other.start).toBeGreaterThanOrEqual(one.start + one.ms);
        }
      }),
      { numRuns: 300 },
    );
  });

  it("tells the slack of each act and the first impossible moment", () => {
    const plan = planBody([
      act("arm", ["feet"], 300, 0, 4000),
      act("go", ["feet"], 300, 4000, 4300),
      act("loop", ["feet"], 300, 4000, 4300),
      act("sing", ["mouth"], 500, 3900, 4400),
    ]);
    expect(plan.acts.map(({ id, start, slack }) => [id, start, slack])).toEqual([
      ["arm", 0, 3700],
      ["sing", 3900, 0],
      ["go", 4000, 0],
      ["loop", 4300, -300],
    ]);
    expect(plan).toMatchObject({ overload: 300, firstImpossible: "loop" });
  });

  it("offers to move one act", () => {
    const acts = [act("go", ["feet"], 300, 4000, 4300), act("loop", ["feet"], 300, 4000, 4300)];
    expect(moveOffers(acts, ({ id }) => (id === "loop" ? [-300, 150, 600] : []))).toEqual([
      { id: "loop", byMs: -300, overload: 0 },
      { id: "loop", byMs: 600, overload: 0 },
      { id: "loop", byMs: 150, overload: 150 },
    ]);
    expect(moveOffers([acts[0]!], () => [100])).toEqual([]);
  });

  it("has nothing to plan without acts, and gives the best found when its steps are used up", () => {
    expect(planBody([])).toEqual({ acts: [], overload: 0, firstImpossible: null, exact: true });
    const crowd = Array.from({ length: 12 }, (_, at) => act(`a${at}`, ["feet"], 50 + at, 0, 400 - at * 20));
    expect(planBody(crowd, 10).exact).toBe(false);
  });
});
