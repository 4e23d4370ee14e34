import { describe, expect, it } from "vitest";
import { guitar } from "../../../../testing/parts/arrange-player";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { type BandBody, DOCUMENTS } from "../../song/schema";
import { arrangeBy } from "./arrange";
import { boardOf } from "./board";
import { ARRANGE_WEIGHTS, type ArrangeCase } from "./case";
import { learn, tasteGap, tasteOf, tastesOf, tellTaste } from "./tastes";

const band: BandBody = {
  band: { b: { id: "b", name: "The Hut" } },
  players: {},
  bookShapes: {},
  loopHabits: {},
  soundBoxes: {},
  ideaTastes: {},
  splitWays: {},
};
let made = 0;
const nextId = () => () => `t${made++}`;
const lesson = (body: BandBody, taken: string[], left: string[] = []): BandBody => {
  const met = (ideas: string[]) => ideas.map((idea) => ({ idea, kind: "bridge" as const }));
  const command = learn(body, { taken: met(taken), left: met(left) }, nextId());
  return command ? unwrap(applyEdit(DOCUMENTS.band, body, command)).body : body;
};
const asked = (tastes: ArrangeCase["tastes"]): ArrangeCase => ({
  meter: { beats: 4, unit: 4 },
  players: [guitar("a")],
  uses: [
    {
      id: "u",
      section: "s",
      kind: "bridge",
      bars: 8,
      chordBars: [0],
      voice: null,
      energy: 2,
      bass: "free",
    },
  ],
  arc: "rising",
  weights: ARRANGE_WEIGHTS,
  limits: [],
  tastes,
  ideas: null,
});

describe("what a band likes", () => {
  it("is learned by what is taken and what is put aside, each once an act", () => {
    const once = lesson(band, ["octaves", "octaves", "drone"], ["hit and stop"]);
    expect(Object.values(once.ideaTastes).map(({ idea, taken, left }) => [idea, taken, left])).toEqual([
      ["octaves", 1, 0],
      ["drone", 1, 0],
      ["hit and stop", 0, 1],
    ]);
    const twice = lesson(once, ["octaves"], ["drone"]);
    expect(Object.values(twice.ideaTastes).map(({ taken, left }) => [taken, left])).toEqual([
      [2, 0],
      [1, 1],
      [0, 1],
    ]);
    expect(learn(band, { taken: [], left: [] }, nextId())).toBe(null);
  });

  it("counts the more the oftener, never more than once, by hand", () => {
    expect(tasteOf({ taken: 4, left: 0 })).toBe(0.5);
    expect(tasteOf({ taken: 0, left: 1 })).toBe(-0.2);
    expect(tasteOf({ taken: 5, left: 5 })).toBe(0);
  });

  it("is told in words once it is more than chance", () => {
    const row = { id: "t", idea: "octaves", kind: "bridge" as const };
    expect(tellTaste({ ...row, taken: 3, left: 0 })).toBe(
      "likes octaves that take root or third in a bridge",
    );
    expect(tellTaste({ ...row, taken: 0, left: 2, kind: "intro" })).toBe(
      "does without octaves that take root or third in an intro",
    );
    expect(tellTaste({ ...row, taken: 1, left: 0 })).toBe(null);
    expect(tellTaste({ ...row, taken: 3, left: 2 })).toBe(null);
    expect(tellTaste({ ...row, idea: "yodel", taken: 9, left: 0 })).toBe(null);
  });

  it("is a gap to what is liked best on the instrument, in that kind of section only", () => {
    const tastes = tastesOf(lesson(lesson(band, ["octaves"]), ["octaves"], ["drone"]));
    expect(tasteGap({ tastes }, "bridge", "octaves")).toBe(0);
    expect(tasteGap({ tastes }, "bridge", "open strum")).toBeCloseTo(1 / 3);
    expect(tasteGap({ tastes }, "bridge", "drone")).toBeCloseTo(1 / 3 + 1 / 5);
    expect(tasteGap({ tastes }, "verse", "drone")).toBe(0);
    expect(tasteGap({ tastes }, "bridge", "pulse")).toBe(0);
  });

  it("moves a proposal: what was put aside often is not proposed again, where another costs hardly more", () => {
    const first = arrangeBy(boardOf(asked([])), "sparse").cells[0]![0]!.idea;
    let body = band;
    for (let time = 0; time < 20; time++) body = lesson(body, ["plectrum roll"], [first]);
    const cells = arrangeBy(boardOf(asked(tastesOf(body))), "sparse").cells;
    expect(first).not.toBe("plectrum roll");
    expect(cells[0]![0]!.idea).toBe("plectrum roll");
  });
});
