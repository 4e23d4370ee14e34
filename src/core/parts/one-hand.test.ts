import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../testing/fretboard/sample-note";
import { sampleHand } from "../../../testing/parts/sample-hand";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { parseKey } from "../pitch";
import { bandSheet } from "./band";
import { oneHand } from "./one-hand";
import { chordsOfRow, scaleOfRow } from "./section-chords";

const hand = sampleHand();
const beat = { ms: 600, unit: "1/4" };
const chords = (text: string) =>
  text.split(" ").map((symbol, at) => ({
    id: `c${at}`,
    symbol,
    chord: unwrap(parseChord(symbol)),
    tick: at * 3840,
    ticks: 3840,
  }));

describe("a line between chords", () => {
  it("is planned with them: each step in time, none dearer than the greedy way", () => {
    const planned = unwrap(oneHand(chords("G C"), [note(1920, 1, 2), note(2880, 1, 3)], hand, beat));
    expect(planned.steps.map(({ tick, event }) => [tick, event.kind])).toEqual([
      [0, "chord"],
      [1920, "note"],
      [2880, "note"],
      [3840, "chord"],
    ]);
    expect(planned.cost).toBeLessThanOrEqual(planned.greedyCost + 1e-9);
    expect(planned.exact).toBe(true);
  });

  it("lets the finger that ends the line begin the next chord", () => {
    // The line ends on C, A string fret 3: the finger there stays for the C chord.
    const { steps } = unwrap(oneHand(chords("G C"), [note(2880, 1, 3)], hand, beat));
    const last = steps[1]!.fingering.fingers[1];
    expect(steps[2]!.fingering.frets[1]).toBe(3);
    expect(steps[2]!.fingering.fingers[1]).toBe(last);
    expect(steps[2]!.move!.kept).toContain(last);
  });

  it("walks the bass in grades", () => {
    const key = unwrap(parseKey("C"));
    const names = (grade: "none" | "one" | "every") =>
      unwrap(oneHand(chords("C F"), [], hand, beat, { grade, key })).steps.map(({ symbol }) => symbol);
    expect(names("none")).toEqual(["C", "F"]);
    expect(names("one")).toHaveLength(3);
    expect(names("every").length).toBeGreaterThan(3);
  });

  it("leaves out dead notes and is empty without chords", () => {
    expect(unwrap(oneHand(chords("G"), [note(960, 1, 3, { art: "dead" })], hand, beat)).steps).toHaveLength(
      1,
    );
    expect(unwrap(oneHand([], [note(0, 1, 3)], hand, beat)).steps).toEqual([]);
  });
});

describe("the chords of a section", () => {
  const body = sampleVersion({ verse: { lines: ["a/G:4 b/what:2 c/D:2"] } }, ["verse"], [{}]);
  const row = bandSheet(body).rows[0]!;

  it("stand in time; what can't be read is left out", () =>
    expect(chordsOfRow(body, row).map(({ symbol, tick, ticks }) => [symbol, tick, ticks])).toEqual([
      ["G", 0, 3840],
      ["D", 5760, 1920],
    ]));

  it("have a key and a scale", () =>
    expect([...scaleOfRow(body, row).scale].sort((a, b) => a - b)).toEqual([0, 2, 4, 6, 7, 9, 11]));
});
