import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  caseOf,
  layerOf,
  madeUpCase,
  madeUpPrices,
  numbersFrom,
  sectionOf,
} from "../../../testing/loops/sample-case";
import { slowLoops, slowTrade } from "../../../testing/loops/slow-loops";
import { unwrap } from "../../base";
import type { LoopCase } from "./loop-case";
import { wantOf } from "./loop-case";
import { planLoops } from "./plan";
import { afterPress, bitsOf, costOfPresses, maskOf } from "./press";
import { type LoopWay, recordedTracks, soundingBefore } from "./way";

/** Plays a plan's presses and counts both costs anew. */
function recount(asked: LoopCase, way: LoopWay) {
  const recorded = recordedTracks(way.tracks);
  let sounding = soundingBefore(asked, recorded);
  let wrongBars = 0;
  const trackOf = new Map(way.tracks.flatMap((layers, track) => layers.map((id) => [id, track] as const)));
  for (let at = 0; at <= asked.sections.length; at++) {
    const section = asked.sections[at];
    for (const press of way.presses.filter(({ before }) => before === (section?.id ?? null))) {
      const after = afterPress(sounding, recorded, press);
      expect(after, "a press that changes nothing").not.toBeNull();
      sounding = after!;
    }
    expect(bitsOf(sounding)).toEqual(section ? way.states[at] : []);
    for (const { id } of section ? asked.layers : []) {
      const sounds = (sounding & (1 << trackOf.get(id)!)) !== 0;
      const want = wantOf(section!, id);
      if (want !== "either" && sounds !== (want === "on")) wrongBars += section!.bars;
    }
  }
  return { wrongBars, footCost: costOfPresses(way.presses) };
}

/** Expects a plan to be as good as trying everything, trade included, and its figures to be what they are when counted anew. */
function expectAsGoodAsAll(asked: LoopCase): void {
  const slow = slowLoops(asked);
  const plan = planLoops(asked);
  expect(plan.ok).toBe(slow.length > 0);
  if (!plan.ok) return;
  const { wrongBars, footCost, tracks: found, trade, exact } = plan.value;
  expect(exact).toBe(true);
  const used = found.filter((ids) => ids.length > 0).length;
  expect({ wrongBars, footCost, used }).toEqual(slow[0]);
  for (const way of [plan.value, ...trade!])
    expect(recount(asked, way)).toEqual({ wrongBars: way.wrongBars, footCost: way.footCost });
  const front = slowTrade(slow);
  const told = trade!.map((one) => ({ wrongBars: one.wrongBars, footCost: one.footCost }));
  if (front.length <= 3) {
    expect(told).toEqual(front);
    return;
  }
  const sums = front.slice(1, -1).map((one) => one.wrongBars + one.footCost);
  expect([told[0], told[2]]).toEqual([front[0], front.at(-1)]);
  expect(told[1]!.wrongBars + told[1]!.footCost).toBeCloseTo(Math.min(...sums), 6);
}

describe("planning loops", () => {
  it("lets everything in and takes one out: four tracks, silence, wanted 2, 3 and 4 (common practice, no source)", () => {
    const asked = caseOf({
      layers: ["beat", "bass", "chop", "hum"].map((id) => layerOf(id, { bars: 4 })),
      sections: [
        sectionOf("v1", 8, "bass:on chop:on hum:on"),
        sectionOf("c1", 8, "beat:on bass:on chop:on hum:on"),
      ],
      pins: { beat: 0, bass: 1, chop: 2, hum: 3 },
    });
    const plan = unwrap(planLoops(asked));
    expect(plan.wrongBars).toBe(0);
    expect(plan.presses.map(({ before, press, effect, late }) => [before, press, effect, late])).toEqual([
      ["v1", "start-all", "start", false],
      ["v1", "track", "stop", true],
      ["c1", "track", "start", false],
      [null, "stop-all", "stop", false],
    ]);
    expect(plan.footCost).toBe(1 + 4 + 1 + 1);
  });

  it("uses what is free to press early", () => {
    const asked = caseOf({
      looper: { tracks: 2, allStart: false, allStop: true, quantised: false },
      layers: [layerOf("a"), layerOf("b")],
      sections: [
        sectionOf("v1", 4, "a:on b:either"),
        sectionOf("v2", 4, "a:off b:on"),
        sectionOf("v3", 4, "a:on b:on"),
      ],
      pins: { a: 0, b: 1 },
    });
    const plan = unwrap(planLoops(asked));
    expect(plan.wrongBars).toBe(0);
    // a in (1) or both (10); then a out while b comes in: 1 + 1 + 3, against b early at 9: 5 is less.
    expect(plan.states).toEqual([[0], [1], [0, 1]]);
    expect(plan.footCost).toBe(1 + (1 + 1 + 3) + 1 + 1);
  });

  it("shares tracks only where one length goes into the other", () => {
    const layers = [layerOf("two", { bars: 2 }), layerOf("three", { bars: 3 }), layerOf("six", { bars: 6 })];
    const sections = [sectionOf("v", 6, "two:on three:on six:on")];
    const one = { tracks: 1, allStart: true, allStop: true, quantised: false };
    expect(unwrap(planLoops(caseOf({ looper: one, layers, sections }))).tracks).toEqual([
      ["two", "three", "six"],
    ]);
    const failed = planLoops(caseOf({ looper: one, layers: layers.slice(0, 2), sections }));
    expect(failed).toMatchObject({
      ok: false,
      problem: { code: "no-grouping", pair: { a: { id: "two" }, b: { id: "three" } } },
    });
  });

  it("finds out at once that many lengths can't be placed, among layers that can", () => {
    const lengths = [...Array(7).fill(1), 2, 3, 5, 7, 11, 13, 17, 19, 23];
    const layers = lengths.map((bars, at) => layerOf(`l${at}`, { bars }));
    const looper = { tracks: 8, allStart: true, allStop: true, quantised: false };
    const asked = caseOf({ looper, layers, sections: [sectionOf("v", 4, "l0:on")] });
    expect(planLoops(asked)).toMatchObject({ problem: { code: "no-grouping" } });
    expect(planLoops({ ...asked, pins: { l0: 3, l8: 3 } })).toMatchObject({
      problem: { code: "no-grouping" },
    });
    const fits = { ...asked, layers: layers.slice(0, 15), pins: { l0: 7 }, budget: 1000 };
    expect(unwrap(planLoops(fits)).tracks.filter((ids) => ids.length > 0)).toHaveLength(8);
  });

  it("lists every track of the box, and keeps pins", () => {
    const asked = caseOf({
      layers: [layerOf("a"), layerOf("b")],
      sections: [sectionOf("v", 4, "a:on"), sectionOf("w", 4, "b:on")],
      pins: { b: 2 },
    });
    expect(unwrap(planLoops(asked)).tracks).toEqual([["a"], [], ["b"], []]);
  });

  it("records a layer that is wanted nowhere, and says there is nothing without layers", () => {
    const asked = caseOf({ layers: [layerOf("a")], sections: [sectionOf("v", 4, "")] });
    expect(unwrap(planLoops(asked))).toMatchObject({
      tracks: [["a"], [], [], []],
      wrongBars: 0,
      footCost: 0,
      presses: [],
    });
    expect(planLoops(caseOf({ sections: [sectionOf("v", 4, "")] }))).toMatchObject({
      problem: { code: "no-layers" },
    });
  });

  it("is as good as trying everything, trade included, and its figures can be counted anew", () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom(0, 30, 60),
        (seed, layers, tracks, sections, either) => {
          expectAsGoodAsAll(madeUpCase(numbersFrom(seed), { layers, tracks, sections, either }));
        },
      ),
      { numRuns: 150 },
    );
  });

  it("is as good as trying everything where pedals cost differently, neighbours go together, or passes are spread", () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        fc.boolean(),
        fc.boolean(),
        (seed, layers, tracks, sections, isPriced, spread) => {
          const next = numbersFrom(seed);
          const plain = madeUpCase(next, { layers, tracks, sections, either: 30 });
          const prices = isPriced ? madeUpPrices(next, tracks) : undefined;
          expectAsGoodAsAll({ ...plain, spread, looper: { ...plain.looper, prices } });
        },
      ),
      { numRuns: 200 },
    );
  });

  it("swaps two neighbours with one press where the box allows, by hand", () => {
    const plain = { tracks: 2, allStart: false, allStop: false, quantised: false };
    const prices = { start: [0, 0], stop: [0, 0], startAll: 0, stopAll: 0, pairs: [[0, 1] as const] };
    const asked = caseOf({
      looper: { ...plain, prices },
      layers: [layerOf("a"), layerOf("b")],
      sections: [sectionOf("v", 4, "a:on"), sectionOf("c", 4, "b:on")],
      pins: { a: 0, b: 1 },
    });
    const plan = unwrap(planLoops(asked));
    expect(plan.presses[1]).toEqual({
      before: "c",
      press: "pair",
      tracks: [0, 1],
      effect: "start",
      effects: ["stop", "start"],
      late: false,
    });
    // In, both at once, out: 3. One after the other the change would take 1 and a late stop of 4.
    expect(plan.footCost).toBe(3);
    expect(unwrap(planLoops({ ...asked, looper: plain })).footCost).toBe(1 + 5 + 1);
  });

  it("puts what comes and goes most on the pedals that are cheap", () => {
    const prices = { start: [1, 0], stop: [1, 0], startAll: 0, stopAll: 0, pairs: [] };
    const asked = caseOf({
      looper: { tracks: 2, allStart: false, allStop: false, quantised: false, prices },
      layers: [layerOf("stays"), layerOf("comes")],
      sections: [
        sectionOf("v", 4, "stays:on"),
        sectionOf("c", 4, "stays:on comes:on"),
        sectionOf("w", 4, "stays:on"),
        sectionOf("d", 4, "stays:on comes:on"),
        sectionOf("e", 4, "stays:on"),
      ],
    });
    expect(unwrap(planLoops(asked)).tracks).toEqual([["stays"], ["comes"]]);
  });

  it("gives each pass a track of its own while tracks last, where that is the habit", () => {
    const layers = ["a", "b", "c"].map((id) => layerOf(id));
    const sections = [sectionOf("v", 4, "a:on b:on c:on")];
    const on = (tracks: number, spread: boolean) =>
      unwrap(
        planLoops(
          caseOf({
            looper: { tracks, allStart: true, allStop: true, quantised: false },
            layers,
            sections,
            spread,
          }),
        ),
      ).tracks.filter((ids) => ids.length > 0).length;
    expect([on(4, false), on(4, true), on(2, true)]).toEqual([1, 3, 2]);
  });

  it("counts larger cases anew, and every point of the trade costs less foot for more wrong bars", () => {
    for (let seed = 0; seed < 20; seed++) {
      const asked = madeUpCase(numbersFrom(seed), { layers: 6, tracks: 4, sections: 12, either: 40 });
      const plan = unwrap(planLoops(asked));
      for (const way of [plan, ...plan.trade!])
        expect(recount(asked, way)).toEqual({ wrongBars: way.wrongBars, footCost: way.footCost });
      for (const point of plan.trade!) {
        expect(point.footCost).toBeLessThan(plan.footCost);
        expect(point.wrongBars).toBeGreaterThan(plan.wrongBars);
      }
    }
  });

  it("says so when the budget ends first, and gives a bound", () => {
    const asked = madeUpCase(numbersFrom(4), { layers: 8, tracks: 5, sections: 30, either: 20 });
    const whole = unwrap(planLoops(asked, { trade: false }));
    const cut = unwrap(planLoops({ ...asked, budget: 2000 }, { trade: false }));
    expect(whole.exact).toBe(true);
    expect(cut.exact).toBe(false);
    expect(cut.bound!.wrongBars).toBeLessThanOrEqual(whole.wrongBars);
    expect(cut.wrongBars).toBeGreaterThanOrEqual(whole.wrongBars);
    expect(recount(asked, cut)).toEqual({ wrongBars: cut.wrongBars, footCost: cut.footCost });
    expect(maskOf(cut.states[0]!)).toBeGreaterThanOrEqual(0);
  });
});
