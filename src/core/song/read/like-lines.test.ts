import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { linesLike } from "./like-lines";
import { outlineOf } from "./outline";

const body = sampleVersion(
  {
    first: { lines: ["Light/G:4 on/D:4", "the/C:4 bay/G:4", "so/C:2 far/D:2 off/G:4"] },
    bridge: { lines: ["High/G:4 up/D:4", "and/Am:4 low/C:4"] },
  },
  ["first", "bridge"],
);
const outline = (kinds: readonly string[]) =>
  outlineOf(body).sections.map((one, at) => ({
    ...one,
    section: { ...one.section, kind: kinds[at] as "verse" },
  }));

describe("lines like a line, below it", () => {
  it("have as many chords in its section, or the same chords anywhere", () => {
    const sections = outline(["verse", "bridge"]);
    expect(linesLike(sections, { section: 0, line: 0 })).toEqual([
      { section: 0, line: 1 },
      { section: 1, line: 0 },
    ]);
    expect(linesLike(sections, { section: 0, line: 1 })).toEqual([]);
    expect(linesLike(sections, { section: 0, line: 2 })).toEqual([]);
  });

  it("have as many chords in a section of its kind, where that is known", () => {
    expect(linesLike(outline(["verse", "verse"]), { section: 0, line: 1 })).toEqual([
      { section: 1, line: 0 },
      { section: 1, line: 1 },
    ]);
    expect(linesLike(outline(["other", "other"]), { section: 0, line: 1 })).toEqual([]);
  });

  it("are none where there is no such line", () => {
    expect(linesLike(outline(["verse", "verse"]), { section: 7, line: 0 })).toEqual([]);
    expect(linesLike(outline(["verse", "verse"]), { section: 0, line: 9 })).toEqual([]);
  });
});
