import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { addCue, cuesOf } from "@/core/cues";
import { bandSheet } from "@/core/parts";
import { STRUM_LIBRARY } from "@/core/rhythm";
import {
  add,
  addException,
  addRiff,
  set,
  setEntrances,
  strumRow,
  type VersionCommand,
} from "@/core/song/edit";
import { indexCells, outlineOf, timelineOf } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import { DOCUMENTS, EMPTY_CELL } from "@/core/song/schema";
import { applyEdit } from "@/document";
import { sampleNote } from "../../../testing/fretboard/sample-note";
import { sampleRiff } from "../../../testing/song/sample-riff";
import { sampleVersion } from "../../../testing/song/sample-version";
import { stagePart } from "./stage-sheets";

let count = 0;
const makeId = () => `s${count++}`;
const edit = (from: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, from, command)).body;

describe("stagePart", () => {
  it("tells exceptions in the names of the player who reads them", () => {
    const plain = sampleVersion(
      { verse: { lines: ["Light/G:4 on/C:4"] } },
      ["verse", "verse"],
      [{ capo: 5 }, { instrument: "bass", tuning: ["E1", "A1", "D2", "G2"], role: "bass" }],
    );
    const [, second] = outlineOf(plain).form;
    const chordId = "verse-l0-c1";
    const pushed = edit(
      plain,
      addException(outlineOf(plain), { useId: second!.id }, "push", { chordId, ticks: 480 }, makeId),
    );
    const body = edit(pushed, set("uses", second!.id, { shift: 2, label: "Verse 2" }));
    const told = (player: string) =>
      stagePart(body, body.players[player]!).sheets.map((sheet) => [...sheet.otherwise, ...sheet.drawn]);
    // C sounds as D two semitones up; behind capo 5 that is an A shape.
    expect(told("p0")).toEqual([[], ["2 semitones up, in E", "A comes half a beat early"]]);
    expect(told("p1")).toEqual([[], ["2 semitones up, in A", "D comes half a beat early"]]);
    expect(stagePart(body, body.players.p0!).sheets[1]).toMatchObject({
      label: "Verse 2",
      hand: "capo 5, shapes of E; sounds in A",
    });
  });

  it("has the player's own presses, and cues of one's own, in the time round they fall in", () => {
    const plain = sampleVersion({ verse: { lines: ["Light/G:4"] } }, ["versex2"], [{ sings: true }, {}]);
    const [use] = outlineOf(plain).form;
    const body = [
      addCue({ useId: use!.id, tick: 960, text: "Look up" }, makeId),
      addCue({ useId: use!.id, tick: 3840, text: "Breathe", playerId: "p0" }, makeId),
    ].reduce(edit, plain);
    const cues = cuesOf(body, bandSheet(body), timelineOf(body));
    const feet = (player: string) =>
      stagePart(body, body.players[player]!, cues).sheets.map((sheet) => sheet.feet.map(({ text }) => text));
    expect(feet("p0")).toEqual([["Look up"], ["Breathe"]]);
    expect(feet("p1")).toEqual([["Look up"], []]);
    expect(stagePart(body, body.players.p0!).sheets[0]!.feet).toEqual([]);
  });

  it("strikes a line by the bars, whatever lies before the first", () => {
    const strokes = (pickup: number) => {
      const plain = sampleVersion({ verse: { lines: ["a/G:4 b/C:4"], pickup } }, ["verse"], [{}]);
      const riff = sampleRiff({ strokes: "as the hand swings" });
      let made = 0;
      const notes = [0, 960, 1440, 2400].map((tick) => sampleNote(tick, 3, 5));
      const places = [{ useId: "u0", playerId: "p0" }];
      const index = indexCells(plain, outlineOf(plain));
      const body = edit(
        plain,
        addRiff(plain, index, riff, notes, places, () => `n${made++}`),
      );
      return stagePart(body, body.players.p0!).sheets[0]!.line!.strokes.slice(0, 4);
    };
    expect(strokes(0)).toEqual(["down", "down", "up", "up"]);
    // Half a beat before: the chords lie as they did from its downbeat on.
    expect(strokes(0.5)).toEqual(strokes(0));
  });

  it("counts the bars of a line without a pickup", () => {
    const plain = sampleVersion({ verse: { lines: ["a/G:5 b/C:4"], pickup: 1 } }, ["verse"], [{}]);
    let made = 0;
    const places = [{ useId: "u0", playerId: "p0" }];
    const index = indexCells(plain, outlineOf(plain));
    const body = edit(
      plain,
      addRiff(plain, index, sampleRiff(), [sampleNote(0, 3, 5)], places, () => `n${made++}`),
    );
    const { line } = stagePart(body, body.players.p0!).sheets[0]!;
    expect(line!.bars).toEqual([960, 4800]);
    expect(line!.notes.map(({ tick }) => tick)).toEqual([960, 4800]);
  });

  it("brings the strum with where its strokes fall, short chords by their own, and the usual one where none is written", () => {
    const plain = sampleVersion(
      { verse: { lines: ["Light/G:4 on/C:2 up/D:2"] }, end: { lines: ["Home/G:4"] } },
      ["verse", "end"],
      [{}],
    );
    const rowOf = (id: string, text: string) => ({
      ...strumRow(plain, { ...STRUM_LIBRARY[0]!, name: id, text }, () => id),
      id,
    });
    const [verse, end] = outlineOf(plain).form;
    const body = [
      add("strums", rowOf("long", "D . D U . U D U")),
      add("strums", rowOf("short", "D U D U")),
      add("cells", {
        ...EMPTY_CELL,
        id: "a",
        useId: verse!.id,
        playerId: "p0",
        strumId: "long",
        shortStrumId: "short",
      }),
      add("cells", { ...EMPTY_CELL, id: "b", useId: end!.id, playerId: "p0", technique: "beat-strum" }),
    ].reduce(edit, plain);
    const [first, second] = stagePart(body, body.players.p0!).sheets.map(({ strum }) => strum);
    expect(first!.of.indexOf(1)).toBe(6);
    expect(first!.ticks.map((tick) => tick / 480)).toEqual([0, 2, 3, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]);
    expect(first!.patterns.map(({ pattern, when }) => [pattern.strokes.length, when])).toEqual([
      [8, ""],
      [4, "chords of half a bar:"],
    ]);
    expect(second!.patterns[0]!.pattern.strokes.map(({ kind }) => kind)).toEqual([
      "down",
      "ring",
      "down",
      "ring",
      "down",
      "ring",
      "down",
      "ring",
    ]);
    expect(second!.patterns).toHaveLength(1);
    const out = edit(body, set("cells", "a", { light: 0 }));
    expect(stagePart(out, out.players.p0!).sheets[0]!.strum).toBeNull();
  });

  it("tells an exception only the time round it is for", () => {
    const plain = sampleVersion({ verse: { lines: ["Light/G:4"] } }, ["versex2"], [{ capo: 0 }]);
    const [use] = outlineOf(plain).form;
    const held = edit(
      plain,
      addException(outlineOf(plain), { useId: use!.id }, "hold", { ticks: 3840, cued: true }, makeId),
    );
    expect(stagePart(held, held.players.p0!).sheets.map((sheet) => sheet.drawn)).toEqual([
      [],
      ["hold of 4 beats on the last chord, until the sign"],
    ]);
  });

  it("says of a chord what the use says of it, not also what its section says; strokes go with it", () => {
    const plain = sampleVersion(
      { verse: { lines: ["Light/G:4 on/C:4"] } },
      ["verse", "verse"],
      [{ capo: 0 }],
    );
    const [, second] = outlineOf(plain).form;
    const chordId = "verse-l0-c1";
    const every = edit(
      plain,
      addException(
        outlineOf(plain),
        { sectionId: "verse", times: "every" },
        "push",
        { chordId, ticks: 480 },
        makeId,
      ),
    );
    const body = edit(
      every,
      addException(outlineOf(every), { useId: second!.id }, "push", { chordId, ticks: 960 }, makeId),
    );
    const sheets = stagePart(body, body.players.p0!).sheets;
    expect(sheets.map(({ drawn }) => drawn)).toEqual([
      ["C comes half a beat early"],
      ["C comes 1 beat early"],
    ]);
    expect(sheets.map(({ lines }) => lines[0]!.pieces[1]!.played?.lead)).toEqual([0.5, 1]);
    expect(sheets.map(({ lines }) => lines[0]!.starts)).toEqual([
      [0, 3360],
      [0, 2880],
    ]);
  });

  it("waits in silence until somebody comes in, and says how long", () => {
    const plain = sampleVersion(
      { verse: { lines: ["Light/G:4 on/C:4"] } },
      ["verse", "verse"],
      [{ capo: 0 }],
    );
    const [, second] = outlineOf(plain).form;
    const said = [{ kind: "enters" as const, bars: [["half", 2]] as ["half", 2][] }];
    const body = edit(plain, setEntrances(plain, second!.id, "p0", said, makeId));
    const sheets = stagePart(body, body.players.p0!).sheets;
    expect(sheets.map(({ role, waits }) => [role, waits])).toEqual([
      ["out", { bars: 3, label: "verse 2" }],
      ["support", { bars: 1, label: "verse 2" }],
    ]);
    expect(sheets.map(({ lines }) => lines[0]!.pieces.map(({ silent }) => silent ?? false))).toEqual([
      [true, true],
      [true, false],
    ]);
  });

  it("is written as each player reads: sounding or shapes, H for B, syllables, degrees", () => {
    const chordsFor = (
      player: Parameters<typeof sampleVersion>[2] extends (infer P)[] | undefined ? P : never,
    ) => {
      const body = sampleVersion({ verse: { lines: ["Light/G:4 on/Bm:4"] } }, ["verse"], [player]);
      const part = stagePart(body, body.players.p0!);
      const names = part.sheets[0]!.lines[0]!.pieces.flatMap((piece) =>
        piece.name === null ? [] : [piece.name],
      );
      return [part.hand, ...names].join(" | ");
    };
    expect(chordsFor({ capo: 5 })).toBe("capo 5, shapes of D; sounds in G | D | F♯m");
    expect(chordsFor({ capo: 5, reads: "sounding" })).toBe("capo 5, sounds in G | G | Bm");
    expect(chordsFor({ capo: 0, writing: "german" })).toBe("no capo, shapes of G | G | Hm");
    expect(chordsFor({ capo: 0, writing: "syllables" })).toBe("no capo, shapes of Sol | Sol | Sim");
    expect(chordsFor({ capo: 5, reads: "degrees" })).toBe("capo 5, sounds in G | 1 | 3m");
  });

  it("mirrors for the left-handed", () => {
    const body = sampleVersion({ verse: { lines: ["Light/G:4"] } }, ["verse"], [{ leftHanded: true }]);
    expect(stagePart(body, body.players.p0!).leftHanded).toBe(true);
  });
});
