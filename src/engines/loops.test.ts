import { describe, expect, it } from "vitest";
import { runEngine } from ".";

/** The example of the contract, with what it leaves open filled in. */
const EXAMPLE = {
  looper: { tracks: 4, allStart: true, allStop: true, quantised: false },
  tempo: 92,
  beatsPerBar: 4,
  startFrom: "silence",
  school: "chords-first",
  key: "Dm",
  listen: false,
  layers: [
    {
      id: "pulse",
      kind: "pitched",
      bars: 4,
      progression: [
        { symbol: "Dm", beats: 8 },
        { symbol: "Bb", beats: 8 },
      ],
      needs: ["hands"],
      steady: true,
    },
    { id: "clap", kind: "unpitched", bars: 2, needs: ["mouth"], recordWith: "pulse" },
  ],
  sections: [
    { id: "v1", bars: 8, busy: ["mouth"], chords: [], want: { pulse: "on", clap: "either" } },
    { id: "v1@bar8", bars: 4, chords: [{ symbol: "A", beats: 16 }], want: { pulse: "on" } },
  ],
  pins: { clap: 2 },
};

const result = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  if (!outcome.ok) throw new Error(`Expected a result, got ${JSON.stringify(outcome.error)}.`);
  return outcome.result as Record<string, unknown>;
};
const error = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  return outcome.ok ? null : outcome.error;
};

describe("loops", () => {
  it("takes an order of passes, and refuses one that is not every layer once, with its place", () => {
    const ordered = (buildOrder: unknown) => ({ ...EXAMPLE, buildOrder });
    expect(result("loops", ordered([["clap", "pulse"]]))).toMatchObject({
      build: { order: [["clap", "pulse"]] },
    });
    expect(error("loops", ordered([["pulse"]]))).toEqual({
      path: "buildOrder",
      message: "should name every layer, clap too",
    });
    expect(error("loops", ordered([["pulse", "clap"], ["clap"]]))!.path).toBe("buildOrder.1.0");
    expect(error("loops", ordered([["pulse"], ["drum"]]))!.path).toBe("buildOrder.1.0");
    expect(error("loops", ordered([["pulse"], ["clap"]]))!.message).toContain("in one pass with pulse");
    expect(error("loops", ordered([[]]))!.path).toBe("buildOrder.0");
  });

  it("plans for a box on which one pedal lets all in and out", () => {
    const looper = { ...EXAMPLE.looper, toggleAll: true };
    expect(result("loops", { ...EXAMPLE, looper })).toMatchObject({ wrongBars: 0, footCost: 2 });
    expect(error("loops", { ...EXAMPLE, looper: { ...looper, toggleAll: 3 } })!.path).toBe(
      "looper.toggleAll",
    );
  });

  it("answers the example of the contract, by hand", () => {
    const plan = result("loops", EXAMPLE);
    expect(plan).toMatchObject({
      tracks: [["pulse"], [], ["clap"], []],
      states: [[0], [0]],
      wrongBars: 0,
      footCost: 2,
      presses: [
        { before: "v1", press: "track", track: 0, effect: "start", late: false },
        { before: null, press: "track", track: 0, effect: "stop", late: false },
      ],
      cuts: [],
      build: { order: [["pulse", "clap"]], countInBars: 1, bars: 5 },
      later: [],
      trade: [{ footCost: 0, wrongBars: 12 }],
      exact: true,
    });
    // Dm over A: D lies a semitone from C#; Bb over A: Bb from A. Every beat of the four bars clashes.
    expect(plan.clashes).toMatchObject([
      { layer: "pulse", section: "v1@bar8", beats: Array.from({ length: 16 }, (_, at) => at) },
    ]);
    expect((plan.build as { seconds: number }).seconds).toBeCloseTo((5 * 4 * 60) / 92, 9);
  });

  it.each([
    ["layers", { layers: [] }],
    ["layers.0.bars", { layers: [{ ...EXAMPLE.layers[1], bars: 0 }] }],
    ["layers.0.progression", { layers: [{ ...EXAMPLE.layers[0], bars: 3 }, EXAMPLE.layers[1]] }],
    ["layers.1.recordWith", { layers: [EXAMPLE.layers[0], { ...EXAMPLE.layers[1], recordWith: "hum" }] }],
    ["layers.1.id", { layers: [EXAMPLE.layers[0], { ...EXAMPLE.layers[1], id: "pulse" }] }],
    ["sections", { sections: [] }],
    ["sections.0.bars", { sections: [{ id: "v", bars: 0 }] }],
    ["sections.0.want.hum", { sections: [{ id: "v", bars: 4, want: { hum: "on" } }] }],
    ["sections.0.want.clap", { sections: [{ id: "v", bars: 4, want: { clap: "loud" } }] }],
    ["sections.0.chords.0.symbol", { sections: [{ id: "v", bars: 4, chords: [{ symbol: "Q", beats: 4 }] }] }],
    ["pins.clap", { pins: { clap: 4 } }],
    ["pins.hum", { pins: { hum: 1 } }],
    ["looper.tracks", { looper: { tracks: 0 } }],
    ["key", { key: "H" }],
    ["budget", { budget: -1 }],
  ])("names %s when it is wrong", (path, change) => {
    expect(error("loops", { ...EXAMPLE, ...change })?.path).toBe(path);
  });

  it("names the tracks and the lengths when there is no grouping, or the pin that is in the way", () => {
    const layers = [
      { id: "a", kind: "unpitched", bars: 2 },
      { id: "b", kind: "unpitched", bars: 3 },
    ];
    const sections = [{ id: "v", bars: 6, want: { a: "on" } }];
    const base = { ...EXAMPLE, layers, sections, pins: {} };
    const few = error("loops", { ...base, looper: { tracks: 1 } });
    expect(few).toEqual({
      path: "looper.tracks",
      message:
        "1 track is too few: a (2 bars) and b (3 bars) can't share one, because neither length goes into the other. Change a length, take a layer out, or use a box with more tracks.",
    });
    expect(error("loops", { ...base, pins: { a: 1, b: 1 } })?.path).toBe("pins.b");
  });
});

describe("recover", () => {
  it("finds the way back now, and at the next boundary", () => {
    const plan = result("loops", EXAMPLE);
    expect(result("recover", { case: EXAMPLE, plan, section: "v1", sounding: [2] })).toEqual({
      now: [
        { press: "track", track: 0, effect: "start", late: false },
        { press: "track", track: 2, effect: "stop", late: true },
      ],
      atBoundary: {
        before: "v1@bar8",
        presses: [
          { press: "track", track: 0, effect: "start", late: false },
          { press: "track", track: 2, effect: "stop", late: true },
        ],
      },
      advice: "now",
    });
    expect(result("recover", { case: EXAMPLE, plan, section: "v1@bar8", sounding: [] })).toMatchObject({
      now: [{ track: 0 }],
      atBoundary: { before: null, presses: [] },
      advice: "atBoundary",
    });
  });

  it("starts a track where its pass begins in step, with the bar to wait for", () => {
    const plan = result("loops", EXAMPLE);
    const at = { section: 9, tracks: [null, null, null, null] };
    expect(result("recover", { case: EXAMPLE, plan, section: "v1", sounding: [], at })).toMatchObject({
      now: [{ press: "track", track: 0, effect: "start", late: false, bar: 4 }],
      advice: expect.any(String),
    });
  });

  it.each([
    ["section", { section: "v9" }],
    ["at", { at: 4 }],
    ["at.section", { at: { section: 33, tracks: [] } }],
    ["at.tracks.0", { at: { section: 0, tracks: [-1] } }],
    ["sounding.0", { sounding: [1] }],
    ["plan.states", { plan: { tracks: [["pulse"]], states: [[0]] } }],
    ["case.layers", { case: { ...EXAMPLE, layers: [] } }],
  ])("names %s when it is wrong", (path, change) => {
    const plan = result("loops", EXAMPLE);
    expect(error("recover", { case: EXAMPLE, plan, section: "v1", sounding: [], ...change })?.path).toBe(
      path,
    );
  });
});
