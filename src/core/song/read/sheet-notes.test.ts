import { describe, expect, it } from "vitest";
import type { Extra } from "../schema/sections";

import { noteOf, notesOf } from "./sheet-notes";

const extra = (fields: Partial<Extra>): Extra => ({
  id: "x",
  order: "V",
  sectionId: null,
  lineId: null,
  kind: "comment",
  text: "",
  ...fields,
});

describe("noteOf", () => {
  it.each([
    ["comment", "{comment: twice as loud}", "words", "twice as loud"],
    ["comment", "{c:softly}", "words", "softly"],
    ["comment", "# for people who read the file", "words", "for people who read the file"],
    ["comment", "(softly now)", "words", "softly now"],
    ["comment", "For two guitars", "words", "For two guitars"],
    ["tab", "{start_of_tab: Riff}\ne|--0--|\n{end_of_tab}", "tab", "e|--0--|"],
    ["tab", "e|--0--|\nB|--1--|", "tab", "e|--0--|\nB|--1--|"],
    ["tab", "{sot}", "tab", ""],
    ["directive", "{columns: 2}", "directive", "{columns: 2}"],
  ] as const)("%s %j", (kind, text, shown, words) =>
    expect(noteOf(extra({ kind, text }))).toEqual({ id: "x", kind: shown, text: words }),
  );
});

describe("notesOf", () => {
  it("stand in order, by section and line", () => {
    const rows = [
      extra({ id: "b", order: "W", sectionId: "s", lineId: "l", text: "two" }),
      extra({ id: "a", order: "V", sectionId: "s", lineId: "l", text: "one" }),
      extra({ id: "c", order: "X", sectionId: "s", text: "last" }),
      extra({ id: "d", order: "Y", text: "head" }),
    ];
    const notes = notesOf({ extras: Object.fromEntries(rows.map((row) => [row.id, row])) });
    expect(
      notes
        .get("s")!
        .get("l")!
        .map((note) => note.text),
    ).toEqual(["one", "two"]);
    expect(
      notes
        .get("s")!
        .get(null)!
        .map((note) => note.text),
    ).toEqual(["last"]);
    expect(
      notes
        .get(null)!
        .get(null)!
        .map((note) => note.text),
    ).toEqual(["head"]);
  });
});
