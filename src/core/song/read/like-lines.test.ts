import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { linesLike, placeRows } from "./like-lines";
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

describe("where typed rows go", () => {
  const sections = outline(["verse", "bridge"]);
  const at = (section: number, line: number) => ({ section, line });

  it("over the line and those below it in its section, and the first over like lines where that is asked", () => {
    expect(
      placeRows(
        sections,
        at(0, 0),
        [
          [6, 2],
          [2, 6],
        ],
        false,
      ),
    ).toEqual([
      { place: at(0, 0), beats: [6, 2] },
      { place: at(0, 1), beats: [2, 6] },
    ]);
    expect(placeRows(sections, at(0, 0), [[6, 2]], true).map(({ place }) => place)).toEqual([
      at(0, 0),
      at(0, 1),
      at(1, 0),
    ]);
  });
});
