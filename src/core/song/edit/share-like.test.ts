import { describe, expect, it } from "vitest";
import { edited, heard, sung } from "../../../../testing/song/heard";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { set } from "./makers";
import { likeSections, shareLike } from "./share-like";

let count = 0;
const makeId = () => `s${count++}`;

const song = () =>
  sampleVersion(
    {
      one: { lines: ["Light/G:4 on/C:4"] },
      two: { lines: ["Rope/G:4 and/C:4"] },
      three: { lines: ["Bell/G:4 by/C:4"] },
      four: { lines: ["Tide/G:4 is/D:4"] },
      five: { lines: ["Mast/G:2 so/C:6"] },
    },
    ["one", "two", "three", "four", "five"],
  );

describe("sections of like chords", () => {
  it("are those with the same chords for as long; each is kept once, and nothing that is heard changes", () => {
    const body = song();
    expect(likeSections(body).map(({ label, like }) => `${label} like ${like}`)).toEqual([
      "two like one",
      "three like one",
    ]);
    const shared = shareLike(body, [], makeId);
    expect(heard(shared)).toEqual(heard(body));
    expect(Object.keys(shared.sections).toSorted()).toEqual(["five", "four", "one"]);
    const changed = edited(shared, set("chords", "one-l0-c1", { symbol: "Am7" }));
    expect(sung(changed).slice(0, 3)).toEqual(["[G]Light [Am7]on", "[G]Rope [Am7]and", "[G]Bell [Am7]by"]);
  });

  it("stay by themselves where somebody says so, or where they hold notes of the sheet", () => {
    expect(Object.keys(shareLike(song(), ["two"], makeId).sections).toSorted()).toEqual([
      "five",
      "four",
      "one",
      "two",
    ]);
    const noted = {
      ...song(),
      extras: {
        x: { id: "x", order: "V", sectionId: "two", lineId: null, kind: "comment" as const, text: "softly" },
      },
    };
    expect(likeSections(noted).map(({ label }) => label)).toEqual(["three"]);
  });
});
