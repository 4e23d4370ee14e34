import { describe, expect, it } from "vitest";
import { runEngine } from ".";

function result(name: string, input: unknown): unknown {
  const outcome = runEngine(name, input);
  if (!outcome.ok) throw new Error(`${outcome.error.path}: ${outcome.error.message}`);
  return outcome.result;
}
const path = (name: string, input: unknown): string | null => {
  const outcome = runEngine(name, input);
  return outcome.ok ? null : outcome.error.path;
};

const BOARD = { slotsPerBank: 2, gapMs: 300, landing: "saved" };
const SECTIONS = [
  { id: "v1", tone: "a" },
  { id: "c1", tone: "b" },
  { id: "s", tone: "c", restBeforeMs: 600 },
];

describe("tones, pedals and delay", () => {
  it("plans banks with the words on the pedals", () => {
    expect(result("tones", { board: BOARD, sections: SECTIONS })).toEqual({
      banks: [
        { slots: ["a", "b"], landing: null },
        { slots: ["c", null], landing: 0 },
      ],
      steps: [
        { section: "v1", bank: 0, slot: 0, presses: [], armFrom: null, exposed: false },
        { section: "c1", bank: 0, slot: 1, presses: ["slot 2"], armFrom: null, exposed: false },
        { section: "s", bank: 1, slot: 0, presses: ["arm bank 2", "go"], armFrom: "c1", exposed: false },
      ],
      exposed: 0,
      bankChanges: 1,
      presses: 3,
      bankCount: 2,
      filled: 3,
      exact: true,
    });
  });

  it.each([
    [{ board: { ...BOARD, slotsPerBank: 0 } }, "board.slotsPerBank"],
    [{ board: { ...BOARD, landing: "somewhere" } }, "board.landing"],
    [{ board: { ...BOARD, gapMs: -1 } }, "board.gapMs"],
    [{ board: { ...BOARD, maxBanks: 1 } }, "board.maxBanks"],
    [{ sections: [] }, "sections"],
    [{ sections: [...SECTIONS, { id: "v1", tone: "a" }] }, "sections.3.id"],
    [{ sections: [{ id: "v1", tone: "" }] }, "sections.0.tone"],
    [{ pins: [{ tone: "z", bank: 0, slot: 0 }] }, "pins.0.tone"],
    [{ pins: [{ tone: "a", bank: 0, slot: 2 }] }, "pins.0.slot"],
    [{ pins: [{ tone: "a", bank: 0 }] }, "pins.0.slot"],
    [{ extra: 1, board: undefined }, "board"],
  ])("names the field at fault in %j", (change, expected) => {
    expect(path("tones", { board: BOARD, sections: SECTIONS, ...change })).toBe(expected);
  });

  const LIVE = {
    board: BOARD,
    banks: [
      { slots: ["a", "b"], landing: null },
      { slots: ["c", null], landing: 0 },
    ],
    at: { bank: 0, slot: 1 },
    next: "c",
  };

  it("finds the presses from where the box really is", () => {
    expect(result("tones-live", { ...LIVE, restBeforeMs: 300 })).toEqual({
      presses: ["arm bank 2", "go"],
      exposed: false,
      armFrom: "now",
    });
    expect(result("tones-live", { ...LIVE, at: { bank: 0, slot: 1, armed: 1 } })).toEqual({
      presses: ["go"],
      exposed: true,
    });
    expect(result("tones-live", { ...LIVE, at: { bank: 1, slot: 0 }, next: "b" })).toEqual({
      presses: ["arm bank 1", "go", "slot 2"],
      exposed: true,
      armFrom: "now",
    });
    expect(result("tones-live", { ...LIVE, next: "b" })).toEqual({ presses: [], exposed: false });
  });

  it.each([
    [{ next: "z" }, "next"],
    [{ at: { bank: 2, slot: 0 } }, "at.bank"],
    [{ at: { bank: 0, slot: 2 } }, "at.slot"],
    [{ at: { bank: 0, slot: 0, armed: 7 } }, "at.armed"],
    [{ at: 3 }, "at"],
    [{ banks: [] }, "banks"],
    [{ banks: [{ slots: ["a", "b", "c"], landing: 0 }] }, "banks.0.slots"],
    [{ banks: [{ slots: ["a"], landing: 2 }] }, "banks.0.landing"],
    [{ restBeforeMs: -1 }, "restBeforeMs"],
    [{ board: undefined }, "board"],
  ])("names the field at fault in %j where the song is not going as planned", (change, expected) => {
    expect(path("tones-live", { ...LIVE, ...change })).toBe(expected);
  });

  it("counts single pedals", () => {
    expect(result("pedals", { pedals: ["x", "y"], sections: [{ id: "v", on: ["y"] }] })).toEqual({
      boundaries: [{ before: "v", press: ["y"] }],
      presses: 1,
      crowded: [],
    });
    expect(path("pedals", { pedals: ["x"], sections: [{ id: "v", on: ["q"] }] })).toBe("sections.0.on.0");
    expect(path("pedals", { pedals: ["x", "x"], sections: [] })).toBe("pedals.1");
    expect(path("pedals", { pedals: ["x"], sections: [{ id: "v", on: ["x", "x"] }] })).toBe(
      "sections.0.on.1",
    );
  });

  it("gives a time for a tempo, and a tempo for a time", () => {
    expect(result("delay", { tempo: 120, note: "1/8." })).toEqual({ ms: 375 });
    expect(result("delay", { ms: 375, note: "1/8." })).toEqual({ tempo: 120 });
    expect(result("delay", { tempo: 60, beatUnit: "1/4.", note: "1/4." })).toEqual({ ms: 1000 });
    expect(path("delay", { note: "1/4" })).toBe("tempo");
    expect(path("delay", { tempo: 100, ms: 3, note: "1/4" })).toBe("ms");
    expect(path("delay", { tempo: 0, note: "1/4" })).toBe("tempo");
    expect(path("delay", { tempo: 100, note: "1/5" })).toBe("note");
    expect(path("delay", { tempo: 100, beatUnit: "beat", note: "1/4" })).toBe("beatUnit");
  });
});
