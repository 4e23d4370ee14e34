import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { readPattern } from "../../rhythm";
import { type Cell, EMPTY_CELL, type Player, type VersionBody } from "../../song/schema";
import { bandSheet, isOnlyLine, onsetsInBar, picks, playsInBar, roleInBar, sweeps } from ".";

const FOUR = { beats: 4, unit: 4 };
const pattern = (text: string) => unwrap(readPattern({ meter: FOUR, subdivision: 2, text }));

const sheetOf = (
  players: Partial<Player>[],
  cells: Partial<Cell>[] = [],
  more: Partial<VersionBody> = {},
) => {
  const body = sampleVersion({ verse: { lines: ["a/G:8"] } }, ["verse", "versex2"], players);
  const rows = cells.map(
    (cell, at): Cell => ({ ...EMPTY_CELL, id: `c${at}`, useId: "u0", playerId: `p${at}`, ...cell }),
  );
  return bandSheet({ ...body, cells: Object.fromEntries(rows.map((row) => [row.id, row])), ...more });
};

describe("a pattern in one bar", () => {
  it("is repeated when it is shorter, and laid over itself when longer", () => {
    expect(onsetsInBar(pattern("D U"), FOUR)).toEqual([0, 480, 960, 1440, 1920, 2400, 2880, 3360]);
    expect(onsetsInBar(pattern("D . . . . . . . . . U . . . . ."), FOUR)).toEqual([0, 960]);
  });
});

describe("the sheet read as parts", () => {
  it("has a row for each use, however often it is repeated", () => {
    const { rows } = sheetOf([{}]);
    expect(rows.map((row) => [row.use.id, row.bars])).toEqual([
      ["u0", 2],
      ["u1", 2],
    ]);
  });

  it("places registers by strings, capo and technique", () => {
    const { rows } = sheetOf(
      [{ capo: 2 }, {}, { instrument: "bass", tuning: ["E1", "A1", "D2", "G2"] }],
      [{}, { technique: "chops" }],
    );
    const registers = rows[0]!.parts.map((part) => [part.low, part.high]);
    expect(registers).toEqual([
      [42, 66],
      [55, 67],
      [28, 38],
    ]);
  });

  it("knows no pitch of drums, the melody's of a voice, and keys by their role", () => {
    const section = sampleVersion({ verse: { lines: ["a/G:8"] } }, ["verse"]).sections.verse!;
    const { rows } = sheetOf(
      [
        { instrument: "drums", tuning: [] },
        { instrument: "voice", tuning: [] },
        { instrument: "keys", tuning: [], role: "bass" },
      ],
      [],
      { sections: { verse: { ...section, melodyRange: [57, 69] } } },
    );
    expect(rows[0]!.parts.map((part) => part.low)).toEqual([null, 57, 36]);
    expect(rows[0]!.sung).toEqual([57, 69]);
  });

  it("says nothing of a rhythm nobody said", () => {
    const { rows } = sheetOf([{}, {}], [{}, { technique: "backbeat" }]);
    expect(rows[0]!.parts.map((part) => [part.isSaid, part.onsets])).toEqual([
      [false, []],
      [true, [960, 2880]],
    ]);
  });

  it("tells bars played and roles by phrase", () => {
    const { rows } = sheetOf([{}], [{ bars: [[1, 2]], phrases: [{ from: 1, to: 2, role: "carry" }] }]);
    const part = rows[0]!.parts[0]!;
    expect([0, 1].map((bar) => [playsInBar(part, bar), roleInBar(part, bar)])).toEqual([
      [false, "support"],
      [true, "carry"],
    ]);
  });

  it("knows a part that is only a line", () => {
    const part = sheetOf([{}]).rows[0]!.parts[0]!;
    const riff = { id: "r" } as unknown as NonNullable<typeof part.riff>;
    expect(isOnlyLine(part)).toBe(false);
    expect(isOnlyLine({ ...part, riff })).toBe(true);
    expect(isOnlyLine({ ...part, riff, pattern: pattern("D U") })).toBe(false);
  });

  it("tells strummed from picked", () => {
    const { rows } = sheetOf(
      [{}, {}, { light: 0 }],
      [{ technique: "picking" }, { technique: "open-strum" }, { technique: "open-strum" }],
    );
    expect(rows[0]!.parts.map((part) => [picks(part), sweeps(part)])).toEqual([
      [true, false],
      [false, true],
      [false, false],
    ]);
  });
});
