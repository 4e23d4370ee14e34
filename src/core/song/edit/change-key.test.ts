import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { parseKey } from "../../pitch";
import { Namer, readerOf } from "../names";
import { DOCUMENTS, UNSOURCED, type VersionBody } from "../schema";
import { changeKey, hasCapo, sameShapes } from "./change-key";

const song = () => {
  const body = sampleVersion(
    { verse: { lines: ["Light/G:4 on/D|F#:4 the/Em7:4 sea/C:4"] } },
    ["verse"],
    [{ capo: 2 }, { capo: 0 }, { capo: 9 }],
  );
  return { ...body, version: { v: { ...body.version.v!, key: "A" } } };
};
const moved = (key: string, keeps = hasCapo) => {
  const body = song();
  return unwrap(applyEdit(DOCUMENTS.version, body, changeKey(body, key, keeps))).body;
};

describe("changeKey", () => {
  it("moves a capo along, and leaves who has none", () => {
    const body = moved("B");
    expect(body.version.v!.key).toBe("B");
    expect(Object.values(body.players).map(({ capo }) => capo)).toEqual([4, 0, 9]);
  });

  it("goes down too, and keeps all as it is where nobody keeps their shapes", () => {
    expect(moved("G").players.p0!.capo).toBe(0);
    expect(Object.values(moved("G", () => false).players).map(({ capo }) => capo)).toEqual([2, 0, 9]);
  });

  it("keeps every shape of who keeps them, whatever the key (law)", () => {
    const before = song();
    const shape = (body: VersionBody, symbol: string) =>
      new Namer(body, readerOf(body.players.p0!, body.players.p0!.capo)).chord(symbol);
    for (const key of ["G", "Ab", "A", "Bb", "B", "C", "Db", "D", "Eb", "E"]) {
      const after = moved(key);
      for (const symbol of ["G", "D/F#", "Em7", "C"])
        expect(shape(after, symbol)).toBe(shape(before, symbol));
    }
  });

  it("takes chosen shapes along", () => {
    const body = song();
    const choice = {
      id: "c",
      playerId: "p0",
      scope: "symbol" as const,
      chordId: null,
      useId: null,
      sectionId: null,
      style: null,
      strings: null,
      symbol: "A",
      frets: [3, 2, 0, 0, 3, 3],
      fingers: [2, 1, null, null, 3, 4] as (1 | 2 | 3 | 4 | null)[],
      capo: 2,
      tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
      ...UNSOURCED,
    };
    const own = { ...body, choices: { c: choice } };
    const after = unwrap(applyEdit(DOCUMENTS.version, own, changeKey(own, "B", hasCapo))).body;
    expect(after.choices.c).toMatchObject({ symbol: "B", capo: 4, frets: choice.frets });
  });
});

describe("sameShapes", () => {
  it("tells what sounds behind each capo", () => {
    const rows = sameShapes({ capo: 2 }, unwrap(parseKey("D")));
    expect(rows.map(({ capo, key }) => `${capo} ${key}`).slice(0, 6)).toEqual([
      "0 C",
      "1 Db",
      "2 D",
      "3 Eb",
      "4 E",
      "5 F",
    ]);
  });
});
