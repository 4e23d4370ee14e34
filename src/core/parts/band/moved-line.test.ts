import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../../testing/fretboard/sample-note";
import { edited } from "../../../../testing/song/heard";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { pitchesOfLine, type TabNote } from "../../fretboard";
import { parseKey } from "../../pitch";
import { addRiff, changeKey, set, setCell } from "../../song/edit";
import { indexCells, neckOfRiff, outlineOf } from "../../song/read";
import type { Player, Riff, VersionBody } from "../../song/schema";
import { findingsOf } from "../findings";
import { bandSheet } from "./band-sheet";
import { keyMove } from "./moved-line";

const HIGH: readonly TabNote[] = [sampleNote(0, 3, 7), sampleNote(960, 4, 8)];
const OPEN: readonly TabNote[] = [sampleNote(0, 5, 0), sampleNote(960, 5, 3)];

/** A verse, and the same raised a whole tone; a guitar plays one line in both. */
function song(notes: readonly TabNote[], more: Partial<Riff> = {}, players: Partial<Player>[] = [{}]) {
  const plain = sampleVersion({ verse: { lines: ["a/C:4"] } }, ["verse", "verse"], players);
  const body = edited(plain, set("uses", "u1", { shift: 2 }));
  const riff = sampleRiff({ name: "Bells", ...more });
  let made = 0;
  const places = [
    { useId: "u0", playerId: "p0" },
    { useId: "u1", playerId: "p0" },
  ];
  return edited(
    body,
    addRiff(body, indexCells(body, outlineOf(body)), riff, notes, places, () => `n${made++}`),
  );
}
const partsOf = (body: VersionBody) => bandSheet(body).rows.map(({ parts }) => parts[0]!);
const frets = (body: VersionBody) =>
  partsOf(body).map(({ notes }) => notes.map(({ string, fret }) => `${string}:${fret}`).join(" "));
const pitches = (body: VersionBody) =>
  partsOf(body).map(({ riff, notes }) => pitchesOfLine(notes, neckOfRiff(riff!)));
const cell = (body: VersionBody, useId: string, fields: Parameters<typeof setCell>[3]) =>
  edited(
    body,
    setCell(indexCells(body, outlineOf(body)), useId, "p0", fields, () => "x"),
  );
const moved = (body: VersionBody) =>
  findingsOf(bandSheet(body), new Map(), 666).filter(({ kind }) => kind === "line-moved");

describe("a line under a raised section", () => {
  it("goes up with it on the same strings, and nothing is to be chosen", () => {
    const body = song(HIGH);
    expect(frets(body)).toEqual(["3:7 4:8", "3:9 4:10"]);
    expect(partsOf(body).map(({ follow }) => follow?.isSettled ?? null)).toEqual([null, true]);
    expect(moved(body)).toEqual([]);
  });

  it("with open strings is fingered anew, and a finding says so until somebody chooses", () => {
    const body = song(OPEN);
    expect(pitches(body)).toEqual([
      [64, 67],
      [66, 69],
    ]);
    const [finding] = moved(body);
    expect(finding).toMatchObject({ useId: "u1", by: 2, lost: 0, line: "Bells" });
    expect(finding!.fixes.map(({ code, cells }) => [code.do, cells[0]!.fields])).toEqual([
      ["line-way", { lineWay: "re-fingered" }],
      ["line-way", { capo: 2 }],
    ]);
    expect(moved(cell(body, "u1", { lineWay: "re-fingered" }))).toEqual([]);
    // Behind the new capo the line is what it was.
    const capoed = cell(body, "u1", { capo: 2 });
    expect(frets(capoed)).toEqual(["5:0 5:3", "5:0 5:3"]);
    expect(pitches(capoed)[1]).toEqual([66, 69]);
    expect(moved(capoed)).toEqual([]);
  });

  it("written in the raised section stays there as it is, and goes down in the others", () => {
    expect(frets(song(HIGH, { homeShift: 2 }))).toEqual(["3:5 4:6", "3:7 4:8"]);
    // Of one that does not say where it was written, the first section that plays it counts.
    const only = cell(song(HIGH), "u0", { riffId: null });
    expect(frets(only)[1]).toBe("3:7 4:8");
  });
});

describe("a line in another key, or on another neck", () => {
  it("goes along when the key is changed, by the shorter way", () => {
    const body = song(HIGH);
    expect(Object.values(body.version)[0]!.key).toBe("G");
    const up = edited(
      body,
      changeKey(body, "A", () => false),
    );
    expect(frets(up)[0]).toBe("3:9 4:10");
    // Twice changed it still goes by the key it was written in.
    const down = edited(
      up,
      changeKey(up, "E", () => false),
    );
    expect(frets(down)[0]).toBe("3:4 4:5");
    expect(
      frets(
        edited(
          down,
          changeKey(down, "G", () => false),
        ),
      )[0],
    ).toBe("3:7 4:8");
  });

  it("keeps its pitches behind another capo, and its frets where capo and key go together", () => {
    const behind = edited(song(HIGH), set("players", "p0", { capo: 2 }));
    expect(frets(behind)[0]).toBe("3:5 4:6");
    expect(pitches(behind)[0]).toEqual([62, 67]);
    const body = song(OPEN, { capo: 2 }, [{ capo: 2 }]);
    const up = edited(
      body,
      changeKey(body, "A", () => true),
    );
    expect(up.players.p0!.capo).toBe(4);
    expect(frets(up)[0]).toBe("5:0 5:3");
  });

  it("says what has no place: a bass line below the lowest string", () => {
    const low = song([sampleNote(0, 0, 0)], { homeShift: 2 });
    const [finding] = moved(low);
    expect(finding).toMatchObject({ useId: "u0", by: -2, lost: 1 });
    expect(partsOf(low)[0]!.notes).toEqual([]);
  });

  it("counts keys the shorter way", () => {
    const now = (text: string) => unwrap(parseKey(text));
    expect([
      keyMove("G", now("A")),
      keyMove("A", now("G")),
      keyMove("C", now("G")),
      keyMove(null, now("G")),
    ]).toEqual([2, -2, -5, 0]);
    expect(keyMove("C", now("F#"))).toBe(6);
  });
});
