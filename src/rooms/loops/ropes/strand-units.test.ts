import { describe, expect, it } from "vitest";

import { spansOfForm, timelineOf } from "@/core/song/read";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { rowsOf, unitsOf, wordsOfSpan } from "./strand-units";

const BAR = 3840;
const SONG = { barTicks: BAR, beatTicks: 960 };
const [sung, played] = spansOfForm(
  timelineOf(
    sampleVersion({ verse: { lines: ["Rope/G:2 on/D:2 the/C:4"] }, solo: { lines: ["/G:4 /D:4"] } }, [
      "verse",
      "solo",
    ]),
  ),
);
const units = (span: NonNullable<typeof sung>, step: Parameters<typeof unitsOf>[2]) =>
  unitsOf(SONG, span, step, (symbol) => symbol);

describe("steps along a section", () => {
  it("are bars, beats, words or all of it, without gaps", () => {
    expect(units(sung!, "section").map(({ from, to, words }) => [from, to, words])).toEqual([
      [0, 2 * BAR, "Rope on the"],
    ]);
    expect(units(sung!, "bar").map(({ label, words }) => [label, words])).toEqual([
      ["bar 1", "Rope on"],
      ["bar 2", "the"],
    ]);
    expect(units(sung!, "word").map(({ label, words }) => [label, words])).toEqual([
      ["bar 1 beat 1", "Rope"],
      ["bar 1 beat 3", "on"],
      ["bar 2 beat 1", "the"],
    ]);
    for (const step of ["section", "bar", "beat", "word"] as const) {
      const all = units(sung!, step);
      expect(all[0]!.from).toBe(0);
      expect(all.at(-1)!.to).toBe(2 * BAR);
      for (const [at, unit] of all.entries()) expect(at === 0 || unit.from === all[at - 1]!.to).toBe(true);
    }
  });

  it("show chords where nothing is sung, and beats for words there", () => {
    expect(units(played!, "bar").map(({ words, chords }) => [words, chords])).toEqual([
      ["", "G"],
      ["", "D"],
    ]);
    expect(units(played!, "word")).toHaveLength(8);
    expect(wordsOfSpan(played!)).toEqual([]);
  });

  it("stand in rows of so many bars", () => {
    expect(rowsOf(BAR, units(sung!, "beat")).map((row) => row.length)).toEqual([4, 4]);
    expect(rowsOf(8 * BAR, units(sung!, "beat"))).toHaveLength(1);
  });
});
