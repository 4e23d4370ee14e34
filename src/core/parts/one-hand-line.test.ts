import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../testing/fretboard/sample-note";
import { sampleHand } from "../../../testing/parts/sample-hand";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { lineProblems } from "../fretboard";
import { oneHand } from "./one-hand";
import { oneHandLine } from "./one-hand-line";

const chords = ["G", "C"].map((symbol, at) => ({
  id: `c${at}`,
  symbol,
  chord: unwrap(parseChord(symbol)),
  tick: at * 3840,
  ticks: 3840,
}));
const line = [note(1920, 1, 2, { weight: 3 }), note(2880, 1, 3)];
const made = () => {
  const plan = unwrap(oneHand(chords, line, sampleHand(), { ms: 600, unit: "1/4" }));
  return { plan, notes: oneHandLine(plan, line, 7680) };
};

describe("line and chords in one hand as a line", () => {
  it("has every string of each chord where it is struck, and the notes between with their marks", () => {
    const { plan, notes } = made();
    const [first] = plan.steps;
    const struck = notes.filter(({ tick }) => tick === 0);
    expect(struck.map(({ string, fret }) => [string, fret])).toEqual(
      first!.fingering.frets.flatMap((fret, string) => (fret === null ? [] : [[string, fret]])),
    );
    expect(notes.filter(({ tick }) => tick === 1920)).toEqual([line[0]]);
    expect(notes.filter(({ tick }) => tick === 3840).length).toBeGreaterThan(2);
  });

  it("lets a string sound until something else is done with it, and adds up as a line", () => {
    const { notes } = made();
    // The A string of G sounds till the line takes it at the third beat; the others till C.
    const until = (string: number) => {
      const own = notes.find((one) => one.tick === 0 && one.string === string);
      return own && own.tick + own.ticks;
    };
    expect(until(1)).toBe(1920);
    expect(until(0)).toBe(3840);
    const neck = { tuning: [40, 45, 50, 55, 59, 64], capo: 0 };
    expect(lineProblems(notes, neck, { ticks: 7680, bar: 3840 })).toEqual([]);
  });

  it("is empty for an empty plan", () => {
    expect(oneHandLine({ steps: [] }, [], 3840)).toEqual([]);
  });
});
