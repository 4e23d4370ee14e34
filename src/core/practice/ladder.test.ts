import { describe, expect, it } from "vitest";
import { BAR, BEAT, plainPassage } from "../../../testing/stage/plain-passage";
import { parseTuning } from "../pitch";
import type { TimedStroke } from "../playing";
import type { HeardPart } from "./heard-part";
import { firstPercent, ladderOf, stepPart } from "./ladder";

const TUNING = (() => {
  const read = parseTuning(["E2", "A2", "D3", "G3", "B3", "E4"]);
  if (!read.ok) throw new Error("a guitar is tuned");
  return read.value;
})();
const PASSAGES = [plainPassage(2)];
const G = [3, 2, 0, 0, 0, 3];
const C = [null, 3, 2, 0, 1, 0];
const stroke = (
  tick: number,
  frets: readonly (number | null)[],
  kind: "down" | "up" = "down",
): TimedStroke => ({
  tick,
  until: tick < BAR ? BAR : 2 * BAR,
  stroke: { kind, weight: 2 },
  held: { frets, tuning: TUNING, capo: 0 },
  notes: [],
});
/** Eighths over a bar of G and a bar of C. */
const strummed: HeardPart = {
  player: { id: "p", name: "Ann", instrument: "guitar", plugged: false },
  strokes: Array.from({ length: 16 }, (_, at) =>
    stroke((at * BEAT) / 2, at < 8 ? G : C, at % 2 === 0 ? "down" : "up"),
  ),
  notes: [],
  drums: [],
};
const kinds = (part: HeardPart, load = 3) => [
  ...new Set(ladderOf(part, 0, 2 * BAR, load).map(({ kind }) => kind)),
];

describe("the ladder of a part", () => {
  it("goes from one hand to both, from slow to full, by hand", () => {
    expect(ladderOf(strummed, 0, 2 * BAR, 3)).toEqual([
      { kind: "right hand", percent: 70 },
      { kind: "left hand", percent: 70 },
      { kind: "on the beat", percent: 70 },
      { kind: "pattern", percent: 70 },
      { kind: "pattern", percent: 85 },
      { kind: "pattern", percent: 100 },
      { kind: "all", percent: 70 },
      { kind: "all", percent: 85 },
      { kind: "all", percent: 100 },
    ]);
  });

  it("begins slower where changes are harder, and always ends at the tempo written", () => {
    expect([0, 3, 5, 20].map(firstPercent)).toEqual([80, 70, 60, 50]);
    for (const load of [0, 3, 5, 20]) expect(ladderOf(strummed, 0, 2 * BAR, load).at(-1)!.percent).toBe(100);
  });

  it("has no step for what a part does not have", () => {
    const held = { ...strummed, strokes: [stroke(0, G), stroke(BAR, C)] };
    expect(kinds(held)).toEqual(["left hand", "all"]);
    expect(kinds({ ...strummed, strokes: strummed.strokes.slice(0, 8) })).not.toContain("left hand");
    expect(ladderOf({ ...strummed, strokes: [] }, 0, 2 * BAR, 3)).toEqual([]);
    expect(ladderOf(strummed, 2 * BAR, 3 * BAR, 3)).toEqual([]);
  });

  it("sounds damped strings, each chord once, each beat, or all of it", () => {
    const part = (kind: Parameters<typeof stepPart>[1]) => stepPart(strummed, kind, PASSAGES).strokes;
    expect(part("right hand").every(({ stroke: { kind } }) => kind === "dead")).toBe(true);
    expect(part("right hand")).toHaveLength(16);
    expect(part("left hand").map(({ tick, until }) => [tick, until])).toEqual([
      [0, BAR],
      [BAR, 2 * BAR],
    ]);
    expect(part("on the beat").map(({ tick }) => tick / BEAT)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(part("on the beat")[5]!.held!.frets).toBe(C);
    expect(stepPart(strummed, "all", PASSAGES)).toBe(strummed);
    expect(part("line")).toEqual([]);
  });
});
