import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { arrangeTables } from "../../../../testing/parts/arrange-tables";
import { canDo } from "../../fretboard";
import { patternOf } from "../../rhythm";
import { techniqueOf } from "../../song/read";
import { onsetsInBar } from "../band";
import { FIGURES, figureIn } from "./figures";
import { IDEAS, ideaOf, isIdea } from "./ideas";

const PAGE = readFileSync(path.resolve(import.meta.dirname, "../../../../docs/arrange.md"), "utf8");

const METERS = [
  { beats: 4, unit: 4 },
  { beats: 3, unit: 4 },
  { beats: 2, unit: 4 },
  { beats: 5, unit: 4 },
  { beats: 6, unit: 8 },
  { beats: 9, unit: 8 },
  { beats: 12, unit: 8 },
];

describe("the catalogue", () => {
  it("has at least 40 ideas, each once, and every instrument has a way in for beginners", () => {
    expect(IDEAS.length).toBeGreaterThanOrEqual(40);
    expect(new Set(IDEAS.map(({ id, instrument }) => `${instrument} ${id}`)).size).toBe(IDEAS.length);
    expect(new Set(IDEAS.map(({ id }) => id)).size).toBe(IDEAS.length);
    for (const instrument of ["guitar", "bass", "keys", "drums", "voice"])
      expect(IDEAS.some((idea) => idea.instrument === instrument && idea.needs === "beginner")).toBe(true);
    expect(isIdea("out")).toBe(true);
    expect(ideaOf("out")).toBe(null);
    expect(isIdea("yodel")).toBe(false);
  });

  it("asks for a technique of its instrument, and for no less than that needs", () => {
    for (const { id, technique, instrument, needs, full, roles, looped } of IDEAS) {
      const { instruments, needs: least, looped: taped } = techniqueOf(technique);
      expect(instruments, id).toContain(instrument);
      expect(canDo(needs, least), `${id} needs ${least}`).toBe(true);
      expect(full).toBeGreaterThanOrEqual(0);
      expect(full).toBeLessThanOrEqual(4);
      expect(roles.length).toBeGreaterThan(0);
      expect(looped ?? false, id).toBe(taped ?? false);
    }
  });
});

describe("figures", () => {
  it("have a pattern in every metre, whose onsets are those of its text", () => {
    for (const figure of FIGURES)
      for (const meter of METERS)
        for (const asHits of [false, true]) {
          const { text, kind, subdivision, swing, onsets } = figureIn(figure, meter, asHits);
          expect(onsets.length, `${figure} in ${meter.beats}/${meter.unit}`).toBeGreaterThan(0);
          const read = kind === "hits" || kind === "free" ? "strum" : kind;
          expect(onsetsInBar(patternOf({ meter, kind: read, subdivision, swing, text }), meter)).toEqual(
            onsets,
          );
        }
  });

  it("are the library's where that has them, by hand", () => {
    const four = { beats: 4, unit: 4 };
    expect(figureIn("skipping", four).text).toBe("D . D U . U D U");
    expect(figureIn("halves", { beats: 5, unit: 4 }, true).kind).toBe("hits");
    expect(figureIn("whole", four, true).onsets).toEqual([0]);
  });
});

describe("the page about it", () => {
  it("has the weights, schools and ideas the program has", () => {
    for (const table of Object.values(arrangeTables())) expect(PAGE).toContain(table);
  });
});
