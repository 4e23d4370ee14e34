import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { describeOddLengths, oddLengths } from "./odd-lengths";
import { outlineOf } from "./outline";

const Q = 960;
const said = (lines: string[], kind = "verse", pickup = 0, next = 0): string[] => {
  const [one] = outlineOf(sampleVersion({ v: { lines, pickup } }, ["v"])).sections;
  const section = { ...one!, section: { ...one!.section, kind: kind as "verse" } };
  return describeOddLengths(oddLengths(section, 4 * Q, next * Q), "Verse");
};

describe("unusual lengths, worked by hand", () => {
  it("two wrongs that cancel are said", () => {
    expect(said(["a/G:16", "a/G:12", "a/G:20", "a/G:16"])).toEqual([
      "Line 2 has 3 bars and line 3 has 5 bars; most lines here have 4 bars.",
    ]);
  });

  it("a verse of seven bars, and its short line", () => {
    expect(said(["a/G:8", "a/G:8", "a/G:8", "a/G:4"])).toEqual([
      "Line 4 has 1 bar; most lines here have 2 bars.",
      "Verse has 7 bars: an odd number is rare. Is a line a bar too short or too long?",
    ]);
    expect(said(["a/G:28"])).toHaveLength(1);
  });

  it("says nothing of a line twice as long with twice the chords, of one half as long with half, of a pickup", () => {
    expect(said(["a/G:4 b/C:4", "a/G:4 b/C:4", "a/G:4 b/C:4 c/G:4 d/D:4"])).toEqual([]);
    expect(said(["a/G:4 b/C:4", "a/G:4 b/C:4", "a/G:4", "a/G:4"])).toEqual([]);
    expect(said(["a/G:1 b/C:8", "a/G:8"], "verse", 1)).toEqual([]);
    expect(said(["a/G:8", "a/G:16"])).toHaveLength(1);
  });

  it("counts what the next section's pickup fills", () => {
    expect(said(["a/G:8", "a/G:7"])).toHaveLength(1);
    expect(said(["a/G:8", "a/G:7"], "verse", 0, 1)).toEqual([]);
  });

  it("says nothing of what goes free, or of nothing", () => {
    expect(said(["a/G:28"], "outro")).toEqual([]);
    expect(said(["a/G:12"])).toEqual([]);
    expect(said(["only words"])).toEqual([]);
  });

  it("names a few lines, and counts the rest", () => {
    const lines = ["a/G:4", "a/G:8", "a/G:12", "a/G:16", "a/G:20", "a/G:24", "a/G:4"];
    expect(said(lines, "other")).toEqual([
      "Line 2 has 2 bars, line 3 has 3 bars, line 4 has 4 bars, line 5 has 5 bars and 1 more line is of other lengths; most lines here have 1 bar.",
    ]);
  });
});
