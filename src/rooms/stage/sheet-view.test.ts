import { describe, expect, it } from "vitest";
import type { StageSheet } from "@/core/stage";
import { hasBoth, hasShapes, isTabSheet } from "./sheet-view";

const sheet = (line: boolean, shapes: number) =>
  ({ line: line ? {} : null, shapes: Array.from({ length: shapes }, () => ({})) }) as unknown as StageSheet;
const told = (one: StageSheet, view: "both" | "chords" | "line") =>
  [isTabSheet(one, view) ? "tab" : "words", hasShapes(one, view) ? "shapes" : ""].join(" ").trim();

describe("three sheets of one part", () => {
  it("are chords and line, chords only, line only", () => {
    const mixed = sheet(true, 3);
    expect(hasBoth(mixed)).toBe(true);
    expect((["both", "chords", "line"] as const).map((view) => told(mixed, view))).toEqual([
      "tab shapes",
      "words shapes",
      "tab",
    ]);
  });

  it("leave nothing away where a part is one of them", () => {
    for (const view of ["both", "chords", "line"] as const) {
      expect(told(sheet(true, 0), view)).toBe("tab");
      expect(told(sheet(false, 2), view)).toBe("words shapes");
    }
  });
});
