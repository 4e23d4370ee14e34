import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { addException, set, type VersionCommand } from "../song/edit";
import { outlineOf } from "../song/read";
import type { SongBody, VersionBody } from "../song/schema";
import { DOCUMENTS } from "../song/schema";
import { readChordPro, writeChordPro } from "./chordpro";
import { sheetOfVersion } from "./from-version";
import { contentOf } from "./round-trip";
import { versionOfSheet } from "./to-version";

const song = (title: string): SongBody => ({
  song: {
    s: {
      id: "s",
      title,
      by: "B",
      composer: "",
      copyright: "",
      tags: ["x"],
      rehearsed: null,
      archived: false,
    },
  },
  practices: {},
  verdicts: {},
});
const TEXT =
  "{title: A}\n{artist: B}\n{key: D}\n{capo: 3}\n{tempo: 90}\n{time: 4/4}\n{tag: x}\n{odd: kept}\n\n{sov: Verse}\n{c: softly}\n[D]Light on the [A]wa[G]ter [D]\n{x_beats: 3 1}\n[G]a [A]b\n{eov}\n\n{soc: Chorus}\n[G]Ring\n{eoc}\n\n{transpose: 2}\n{chorus}\n";
const build = () => {
  let count = 0;
  return versionOfSheet(readChordPro(TEXT), { name: "T", kind: "file" }, () => `id${count++}`);
};

describe("sheetOfVersion", () => {
  it("gives back the sheet a version was made of", () => {
    const sheet = readChordPro(TEXT);
    expect(contentOf(sheetOfVersion(build(), song("A")))).toEqual(contentOf(sheet));
    expect(writeChordPro(sheetOfVersion(build(), song("A"))).text).toBe(writeChordPro(sheet).text);
  });

  it("writes another performing key as a transposition", () => {
    const body = build();
    const [version] = Object.values(body.version);
    const moved = { ...body, version: { [version!.id]: { ...version!, key: "E" } } };
    expect(sheetOfVersion(moved, song("A"))).toMatchObject({
      key: "D",
      capo: 3,
      shapes: false,
      transpose: 2,
    });
  });

  it("gives back shapes behind a capo", () => {
    const text = TEXT.replace("{key: D}", "{key: F}");
    const sheet = readChordPro(text);
    expect(sheet).toMatchObject({ key: "D", capo: 3, shapes: true });
    let count = 0;
    const body = versionOfSheet(sheet, { name: "T", kind: "file" }, () => `s${count++}`);
    expect(Object.values(body.version)[0]).toMatchObject({ writtenKey: "D", key: "F", writtenCapo: 3 });
    const back = sheetOfVersion(body, song("A"));
    expect(contentOf(back)).toEqual(contentOf(sheet));
    expect(writeChordPro(back).text).toContain("{x_shapes: yes}");
    expect(contentOf(readChordPro(writeChordPro(back).text))).toEqual(contentOf(sheet));
  });

  it("plays exceptions out and names what is lost", () => {
    let count = 0;
    const makeId = () => `n${count++}`;
    const act = (body: VersionBody, command: VersionCommand) =>
      unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    let body = build();
    const [verse, chorus] = outlineOf(body).form;
    body = act(body, addException(outlineOf(body), { useId: verse!.id }, "extra", {}, makeId));
    body = act(body, addException(outlineOf(body), { useId: chorus!.id }, "hold", { ticks: 960 }, makeId));
    body = act(body, set("uses", chorus!.id, { vocals: false, repeat: 2 }));
    const sheet = sheetOfVersion(body, song("A"));
    expect(sheet.sections.map((section) => [section.label, section.lines.length])).toEqual([
      ["Verse (own)", 3],
      ["Chorus", 1],
    ]);
    expect(sheet.form.map((use) => [use.section, use.repeat, use.shift])).toEqual([
      [0, 1, 0],
      [1, 2, 0],
      [1, 1, 2],
    ]);
    expect(sheet.losses.map((loss) => loss.what)).toContain("a hold");
    expect(sheet.losses.map((loss) => loss.what)).toContain("a section without voice");
  });
});
