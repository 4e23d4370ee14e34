import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ticksOfBar } from "../../rhythm";
import { INSTRUMENTS } from "../schema/reads";

import { TECHNIQUE_IDS } from "../schema/technique-ids";
import { GRIDS, gridOnsets, stringsOfPart, TECHNIQUES, techniqueOf, techniquesFor } from "./techniques";

const PAGE = readFileSync(path.resolve(import.meta.dirname, "../../../../docs/split.md"), "utf8");

describe("techniques", () => {
  it("stand in the published table as they are", () => {
    for (const id of TECHNIQUE_IDS) {
      const { words, instruments, needs, grid, span, roles } = techniqueOf(id);
      const row = `| ${id} | ${words} | ${instruments.join(", ")} | ${needs} | ${grid} | ${span} | ${roles.join(", ")} |`;
      expect(PAGE).toContain(row);
    }
  });

  it("are listed once each, with one a beginner can play on every instrument", () => {
    expect(Object.keys(TECHNIQUES)).toEqual([...TECHNIQUE_IDS]);
    for (const instrument of INSTRUMENTS)
      expect(techniquesFor(instrument).some((id) => techniqueOf(id).needs === "beginner")).toBe(true);
  });
});

describe("grids", () => {
  it("strike inside the bar, rising, in any metre", () => {
    for (const grid of GRIDS)
      for (const meter of [
        { beats: 4, unit: 4 },
        { beats: 3, unit: 4 },
        { beats: 6, unit: 8 },
        { beats: 12, unit: 8 },
        { beats: 5, unit: 4 },
        { beats: 7, unit: 8 },
        { beats: 1, unit: 4 },
      ]) {
        const onsets = gridOnsets(grid, meter);
        expect(onsets.length).toBeGreaterThan(0);
        expect(onsets.every((tick, at) => at === 0 || tick > onsets[at - 1]!)).toBe(true);
        expect(onsets[0]).toBeGreaterThanOrEqual(0);
        expect(onsets.at(-1)).toBeLessThan(ticksOfBar(meter));
      }
  });

  it("are those of the page, by hand in 4/4 and 6/8", () => {
    const FOUR = { beats: 4, unit: 4 };
    expect(gridOnsets("backbeat", FOUR)).toEqual([960, 2880]);
    expect(gridOnsets("skipping", FOUR)).toEqual([0, 960, 1440, 2400, 2880, 3360]);
    expect(gridOnsets("offbeats", { beats: 6, unit: 8 })).toEqual([960, 2400]);
    expect(gridOnsets("halves", { beats: 3, unit: 4 })).toEqual([0, 1920]);
    for (const grid of GRIDS) expect(PAGE).toContain(`| ${grid} | ${gridOnsets(grid, FOUR).join(" ")} |`);
  });
});

describe("parts of the neck", () => {
  it("count from the player's face", () => {
    expect(stringsOfPart("low two", 6)).toEqual([0, 1]);
    expect(stringsOfPart("inner three", 6)).toEqual([2, 3, 4]);
    expect(stringsOfPart("high three", 6)).toEqual([3, 4, 5]);
    expect(stringsOfPart("inner three", 4)).toEqual([0, 1, 2]);
    expect(stringsOfPart("high three", 3)).toEqual([0, 1, 2]);
  });
});
