import { describe, expect, it } from "vitest";
import { caseOf, layerOf, sectionOf } from "../../../testing/loops/sample-case";
import { unwrap } from "../../base";
import { planLoops } from "./plan";
import { recover } from "./recover";

/** Four bars of verse and eight of chorus; a pulse of two bars through both, a line of four in the chorus. */
const SONG = caseOf({
  layers: [layerOf("pulse", { bars: 2 }), layerOf("line", { bars: 4 })],
  sections: [sectionOf("v", 3, "pulse:on"), sectionOf("c", 8, "pulse:on line:on"), sectionOf("o", 4, "")],
  pins: { pulse: 0, line: 1 },
});
const PLAN = unwrap(planLoops(SONG));
const beat = SONG.beatsPerBar;

describe("the way back with where everything is", () => {
  it("starts a track only where its pass begins in step with the plan", () => {
    const at = { section: 1 * beat + 1, tracks: [null, null] };
    // The pulse began with the verse, three bars before: in the chorus it comes round in bars 1, 3, 5 from 0.
    const { now, advice } = recover(SONG, PLAN, 1, [], at);
    expect(now.map(({ bar, ...press }) => [press.press, bar])).toEqual(
      expect.arrayContaining([
        ["track", 3],
        ["track", 4],
      ]),
    );
    expect(advice).toBe("atBoundary");
  });

  it("goes by a track's own loop where that goes round unheard", () => {
    const at = { section: 2 * beat, tracks: [1 * beat, null] };
    const { now } = recover(SONG, PLAN, 1, [1], at);
    expect(now).toEqual([{ press: "track", track: 0, effect: "start", late: false, bar: 3 }]);
  });

  it("tells the stops at once, and a bar that is on now as now", () => {
    expect(recover(SONG, PLAN, 0, [0, 1], { section: 0, tracks: [0, 0] }).now).toEqual([
      { press: "track", track: 1, effect: "stop", late: false },
    ]);
    expect(recover(SONG, PLAN, 0, [], { section: 2 * beat, tracks: [] }).now).toMatchObject([
      { track: 0, bar: 2 },
    ]);
  });

  it("advises to wait where no pass begins in step before the section ends", () => {
    const { now, advice, atBoundary } = recover(SONG, PLAN, 0, [], { section: 2 * beat + 1, tracks: [] });
    expect(now).toMatchObject([{ track: 0, bar: 4 }]);
    expect(advice).toBe("atBoundary");
    // At the chorus the line begins with it; the pulse, out of step by a bar there, a bar later.
    expect(atBoundary.presses).toMatchObject([{ track: 0, bar: 1 }, { track: 1 }]);
  });

  it("lets all in at once only where one bar suits every track that comes in", () => {
    const all = caseOf({
      ...SONG,
      looper: { tracks: 3, allStart: true, allStop: true, quantised: false },
    });
    const plan = unwrap(planLoops(all));
    const apart = recover(all, plan, 1, [], { section: 0, tracks: [null, null, null] }).now;
    expect(apart.map(({ press }) => press)).toEqual(["track", "track"]);
    const even = caseOf({ ...all, sections: [sectionOf("v", 4, "pulse:on"), ...all.sections.slice(1)] });
    const together = recover(even, unwrap(planLoops(even)), 1, [], { section: 1, tracks: [] }).now;
    expect(together).toMatchObject([{ press: "start-all", bar: 4 }]);
  });

  it("says nothing of bars where nobody knows where everything is", () => {
    for (const press of recover(SONG, PLAN, 1, []).now) expect(press).not.toHaveProperty("bar");
  });
});
