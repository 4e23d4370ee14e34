import { describe, expect, it } from "vitest";
import { edit, sampleTones } from "../../../testing/sounds/sample-sounds";
import { set } from "../song/edit";
import { changeOver, describeChange } from "./change-over";
import { type PlayerState, songEdges } from "./player-states";

const STANDARD = ["E2", "A2", "D3", "G3", "B3", "E4"];
const state = (more: Partial<PlayerState> = {}): PlayerState => ({
  person: "p",
  name: "Ada",
  instrument: "guitar",
  tuning: STANDARD,
  capo: 0,
  bank: null,
  build: null,
  ...more,
});
const told = (from: PlayerState[], to: PlayerState[]) => {
  const { changes, seconds } = changeOver(from, to);
  return [changes.map(describeChange), seconds];
};

describe("what changes between two songs", () => {
  it("is told with the seconds of each thing, one after the other for one person", () => {
    expect(told([state()], [state()])).toEqual([[], 0]);
    expect(told([state({ capo: 2 })], [state({ capo: 4, bank: 3 })])).toEqual([
      ["Ada: capo from 2 to 4", "Ada: box to bank 3"],
      11,
    ]);
    expect(told([state({ capo: 2 })], [state()])).toEqual([["Ada: capo off"], 4]);
    expect(told([state()], [state({ capo: 2 })])).toEqual([["Ada: capo on 2"], 8]);
    expect(told([state()], [state({ tuning: ["D2", ...STANDARD.slice(1)] })])).toEqual([
      ["Ada: a string tuned otherwise"],
      12,
    ]);
    expect(told([state()], [state({ instrument: "bass", tuning: ["E1", "A1", "D2", "G2"] })])).toEqual([
      ["Ada: from guitar to bass"],
      25,
    ]);
  });

  it("warns of a string that goes more than a whole tone up", () => {
    const high = state({ tuning: ["G2", ...STANDARD.slice(1)] });
    expect(told([state()], [high])[0]).toEqual([
      "Ada: a string tuned otherwise (one goes high: protect the eyes)",
    ]);
  });

  it("lasts as long as the one with most to do; who sat out has had time", () => {
    const bo = { person: "b", name: "Bo" };
    expect(told([state(), state(bo)], [state({ capo: 2 }), state({ ...bo, bank: 2 })])[1]).toBe(8);
    expect(told([state(bo)], [state({ capo: 5 }), state(bo)])).toEqual([[], 0]);
  });
});

describe("how a song begins and ends", () => {
  it("has the capo and the bank of everybody's first and last part", () => {
    const body = sampleTones(
      { 0: { sound: "A", capo: 2 }, 1: { sound: "B" }, 2: { sound: "C" } },
      { A: {}, B: {}, C: {} },
      { slots: 2, firstBank: 4 },
      ["a", "b", "c"],
    );
    const edges = songEdges(body);
    expect(edges.seconds).toBe(48);
    const [start, end] = [edges.starts, edges.ends].map((all) => all.find(({ name }) => name === "Ada")!);
    expect(start).toMatchObject({ capo: 2, bank: 5, person: "name Ada" });
    expect(end).toMatchObject({ capo: 0, bank: 6 });
    const bo = edges.starts.find(({ name }) => name === "Bo")!;
    expect(bo).toMatchObject({ bank: null, tuning: [] });
    const out = edit(body, set("players", "p1", { light: 0 }));
    expect(songEdges(out).starts.map(({ name }) => name)).toEqual(["Ada"]);
  });
});
