import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { alignLists, applyEdit, checkBody } from "../../../document";
import { STRUM_LIBRARY } from "../../rhythm";
import { addException } from "../edit/add-exception";
import { removeUse, setCell } from "../edit/commands";
import { copyVersion } from "../edit/copy-version";
import type { VersionCommand } from "../edit/edits";
import { add, set } from "../edit/makers";
import { strumRow, takePattern } from "../edit/part-commands";
import { outlineOf } from "../read/outline";
import { indexCells } from "../read/resolve-cells";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import type { LoopLayerRow, LoopWant } from "../schema/loops";
import { EMPTY_CELL } from "../schema/parts";
import { compareVersions } from "./compare-versions";
import { differencesFrom, likenesses } from "./similarity";

let count = 0;
const makeId = () => `c${count++}`;
const act = (body: VersionBody, command: VersionCommand): VersionBody => {
  const next = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  expect(checkBody(DOCUMENTS.version, next).ok).toBe(true);
  return next;
};
const song = () =>
  sampleVersion(
    { verse: { lines: ["Light/G:4 on/C:4", "the/D:4 bay/G:4"] }, chorus: { lines: ["Sing/Em:8"] } },
    ["verse", "chorus"],
    [{ name: "Ann" }],
  );
const said = (mine: VersionBody, theirs: VersionBody) =>
  compareVersions(mine, theirs, makeId).differences.map(({ where, words }) => `${where}: ${words}`);
const chordOf = (body: VersionBody, symbol: string) =>
  Object.values(body.chords).find((one) => one.symbol === symbol)!;

describe("alignLists", () => {
  it("pairs what is equal and leaves the rest alone", () => {
    const pairs = alignLists(["G", "C"], ["G", "D", "C"], (a, b) => (a === b ? 0 : 2), 1);
    expect(pairs).toEqual([
      { a: "G", b: "G" },
      { a: null, b: "D" },
      { a: "C", b: "C" },
    ]);
  });

  it("costs the least of all alignments: the slow plain search agrees (law)", () => {
    const slow = (a: number[], b: number[]): number => {
      if (a.length === 0 || b.length === 0) return a.length + b.length;
      return Math.min(
        Math.abs(a[0]! - b[0]!) + slow(a.slice(1), b.slice(1)),
        1 + slow(a.slice(1), b),
        1 + slow(a, b.slice(1)),
      );
    };
    const list = fc.array(fc.nat(4), { maxLength: 6 });
    fc.assert(
      fc.property(list, list, (a, b) => {
        const pairs = alignLists(a, b, (one, two) => Math.abs(one - two), 1);
        const cost = pairs.reduce(
          (sum, pair) => sum + (pair.a === null || pair.b === null ? 1 : Math.abs(pair.a - pair.b)),
          0,
        );
        expect(cost).toBe(slow(a, b));
        expect(pairs.flatMap((pair) => (pair.a === null ? [] : [pair.a]))).toEqual(a);
        expect(pairs.flatMap((pair) => (pair.b === null ? [] : [pair.b]))).toEqual(b);
      }),
    );
  });
});

describe("compareVersions", () => {
  it("finds nothing between a version and its copy", () => {
    const body = song();
    expect(said(body, copyVersion(body, "Copy", makeId))).toEqual([]);
  });

  it("tells differences in words", () => {
    const mine = song();
    let theirs = copyVersion(mine, "Easy", makeId);
    theirs = act(theirs, set("version", Object.keys(theirs.version)[0]!, { key: "A", bpm: 70 }));
    theirs = act(theirs, set("chords", chordOf(theirs, "C").id, { symbol: "Am" }));
    theirs = act(theirs, set("chords", chordOf(theirs, "Em").id, { ticks: 3840 }));
    theirs = act(theirs, set("players", Object.keys(theirs.players)[0]!, { capo: 2 }));
    theirs = act(theirs, set("uses", outlineOf(theirs).form[0]!.id, { shift: 2 }));
    expect(said(mine, theirs)).toEqual([
      "Key: G here, A there",
      "Tempo: 60 a minute here, 70 a minute there",
      "verse, line 1: Am for C",
      "chorus, line 1: Em 4 beats, not 8 beats",
      "Form, verse: key shift: 2 semitones up there, as the song here",
      "Ann: capo: 2 there, 0 here",
    ]);
  });

  it("counts chords in words", () => {
    const mine = song();
    const theirs = sampleVersion(
      {
        verse: { lines: ["Light/G:4 on/C:4", "the/D:4 a/Am:2 b/C:2 bay/G:4"] },
        chorus: { lines: ["Sing/Em:8"] },
      },
      ["verse", "chorus"],
      [{ name: "Ann" }],
    );
    expect(said(mine, theirs)).toEqual(["verse, line 2: two more chords, other words"]);
  });

  it("takes single differences over, until none is left", () => {
    const theirs = sampleVersion(
      {
        intro: { lines: ["/G:4"] },
        verse: { lines: ["New/G:4", "the/D:4 bay/Am:4", "x/C:4"], pickup: 0 },
        chorus: { lines: ["Sing/Em:8"] },
      },
      ["intro", "verse", "chorus"],
      [{ name: "Ann", capo: 3 }],
    );
    let mine = song();
    for (let step = 0; step < 20; step++) {
      const next = compareVersions(mine, theirs, makeId).differences.find((one) => one.take !== null);
      if (!next) break;
      mine = act(mine, next.take!);
    }
    expect(said(mine, theirs)).toEqual([]);
  });

  it("tells what is played on one side only", () => {
    const mine = song();
    const theirs = copyVersion(mine, "B", makeId);
    const without = act(theirs, removeUse(theirs, outlineOf(theirs).form[1]!.id));
    expect(said(mine, without)).toEqual(["Form: chorus is played here, not there"]);
  });
});

describe("what can be taken over", () => {
  const takeAll = (mine: VersionBody, theirs: VersionBody) => {
    let body = mine;
    for (let step = 0; step < 30; step++) {
      const next = compareVersions(body, theirs, makeId).differences.find((one) => one.take !== null);
      if (!next) break;
      body = act(body, next.take!);
    }
    return body;
  };
  const [verse, chorus] = [0, 1];
  const except = (body: VersionBody, at: number, kind: "hold" | "line" | "ending", fields = {}) =>
    act(body, addException(outlineOf(body), { useId: outlineOf(body).form[at]!.id }, kind, fields, makeId));

  it("a use that is played there again, in its place, with what is otherwise at it", () => {
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    const { form } = outlineOf(theirs);
    const again = { ...form[verse]!, id: "again", order: `${form[chorus]!.order}V`, label: "Verse again" };
    theirs = act(theirs, { type: "add", table: "uses", row: again });
    theirs = except(theirs, 2, "hold", { ticks: 1920, cued: true });
    expect(said(mine, theirs)).toEqual(["Form: Verse again is played there, not here"]);
    const taken = takeAll(mine, theirs);
    expect(said(taken, theirs)).toEqual([]);
    expect(outlineOf(taken).form.map((use) => use.label)).toEqual([null, null, "Verse again"]);
  });

  it("exceptions, told apart by what they are and what their lines hold", () => {
    const mine = except(song(), verse, "hold", { ticks: 960 });
    let theirs = copyVersion(song(), "B", makeId);
    const [, second] = outlineOf(theirs).sections[0]!.lines;
    theirs = except(theirs, verse, "line", { lineId: second!.line.id });
    const own = outlineOf(theirs).exceptions.get(outlineOf(theirs).form[verse]!.id)![0]!.lines[0]!;
    theirs = act(theirs, set("chords", own.chords[0]!.chord.id, { symbol: "Am" }));
    theirs = except(theirs, verse, "ending", {
      ticks: 3840,
      followedBy: outlineOf(theirs).sections[1]!.section.id,
    });
    expect(said(mine, theirs)).toEqual([
      "Form, verse: line 2 is different there; another ending when chorus follows: its last 4 beats replaced there; hold of 1 beat on the last chord only here",
    ]);
    expect(said(takeAll(mine, theirs), theirs)).toEqual([]);
  });

  it("a player, and a part where there was none", () => {
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    const [ann] = Object.values(theirs.players);
    const row = { ...ann!, id: "ben", name: "Ben", bandPlayerId: null };
    theirs = act(theirs, { type: "add", table: "players", row });
    const useId = outlineOf(theirs).form[chorus]!.id;
    const cell = {
      id: "cell",
      useId,
      playerId: ann!.id,
      light: 4,
      note: "loud",
    };
    theirs = act(theirs, add("cells", { ...EMPTY_CELL, ...cell }));
    expect(said(mine, theirs)).toEqual([
      "Players: Ben plays only there",
      "Ann in chorus: light: 4 full there, as inherited here; note: loud there, as inherited here",
    ]);
    expect(said(takeAll(mine, theirs), theirs)).toEqual([]);
  });

  it("a pattern of a part comes over with the part", () => {
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    const [ann] = Object.values(theirs.players);
    const place = { useId: outlineOf(theirs).form[0]!.id, playerId: ann!.id };
    const cells = indexCells(theirs, outlineOf(theirs));
    theirs = act(theirs, takePattern(theirs, cells, STRUM_LIBRARY[0]!, [place], makeId));
    expect(said(mine, theirs).join()).toContain(
      "pattern: “one a bar, left to ring” there, as inherited here",
    );
    const taken = takeAll(mine, theirs);
    expect(said(taken, theirs)).toEqual([]);
    expect(Object.values(taken.strums)).toHaveLength(1);
  });

  it("a pattern for all chords and one for short ones come over with the part, one for both once", () => {
    const mine = song();
    const index = (body: VersionBody) => indexCells(body, outlineOf(body));
    for (const short of [0, 1]) {
      let theirs = copyVersion(mine, "B", makeId);
      const rows = STRUM_LIBRARY.slice(0, 2).map((one) => strumRow(theirs, one, makeId));
      for (const row of rows) theirs = act(theirs, { type: "add", table: "strums", row });
      const use = outlineOf(theirs).form[0]!;
      const player = Object.values(theirs.players)[0]!;
      const fields = { strumId: rows[0]!.id, shortStrumId: rows[short]!.id };
      theirs = act(theirs, setCell(index(theirs), use.id, player.id, fields, makeId));
      const taken = takeAll(mine, theirs);
      expect(said(taken, theirs)).toEqual([]);
      expect(Object.values(taken.strums)).toHaveLength(short + 1);
    }
  });

  it("the looper, its layers and what is wanted of them come over one by one", () => {
    const layer: LoopLayerRow = {
      id: "l1",
      originId: null,
      order: "V",
      name: "Thump",
      plays: "thump",
      pitch: "unpitched",
      bars: 2,
      chords: [],
      riffId: null,
      strumId: null,
      needs: ["hands"],
      steady: true,
      recordWithId: null,
      doublesId: null,
      level: -12,
      track: null,
      laterUseId: null,
      laterBar: null,
      buildPlace: null,
      fromSectionId: null,
      fromPlayerId: null,
      voicing: null,
    };
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    theirs = act(theirs, { type: "add", table: "loopLayers", row: layer });
    const useId = outlineOf(theirs).form[0]!.id;
    const stretches: LoopWant["stretches"] = [{ from: 0, to: null, want: "on" }];
    theirs = act(theirs, {
      type: "add",
      table: "loopWants",
      row: { id: "w1", layerId: "l1", useId, stretches },
    });
    expect(said(mine, theirs)).toEqual(["Loops: layer “Thump” only there"]);
    expect(said(theirs, mine)).toEqual(["Loops: layer “Thump” only here"]);
    const taken = takeAll(mine, theirs);
    expect(said(taken, theirs)).toEqual([]);
    expect(said(takeAll(theirs, mine), mine)).toEqual([]);
    const [own] = Object.values(taken.loopLayers);
    let changed = act(taken, set("loopLayers", own!.id, { bars: 4 }));
    changed = act(changed, { type: "remove", table: "loopWants", id: Object.keys(changed.loopWants)[0]! });
    expect(said(changed, theirs)).toEqual([
      "Loops, Thump: length: 2 there, 4 here; wanted otherwise in 1 place there",
    ]);
    expect(said(takeAll(changed, theirs), theirs)).toEqual([]);
  });

  it("tells cues of one's own, and takes them over for the player of the same name", () => {
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    const cue = (body: VersionBody, text: string, more: object = {}) =>
      add("cues", {
        id: makeId(),
        playerId: Object.keys(body.players)[0]!,
        giverId: null,
        useId: Object.values(body.uses)[0]!.id,
        tick: 960,
        wordId: null,
        text,
        sign: "nod",
        danger: false,
        ...more,
      });
    theirs = act(act(theirs, cue(theirs, "Look up")), cue(theirs, "Breathe", { tick: 1920 }));
    const changed = act(act(mine, cue(mine, "Look up", { danger: true })), cue(mine, "Stand still"));
    expect(said(changed, theirs)).toEqual([
      "Cues, verse: “Look up”, danger spot: no there, yes here",
      "Cues, verse: “Stand still” only here",
      "Cues, verse: “Breathe” only there",
    ]);
    const taken = takeAll(changed, theirs);
    expect(said(taken, theirs)).toEqual([]);
    expect(Object.values(taken.cues).every(({ playerId }) => playerId === Object.keys(mine.players)[0])).toBe(
      true,
    );
  });

  it("versions written in other keys differ only in what sounds, and a line comes over in the key of the first", () => {
    const mine = song();
    let theirs = copyVersion(mine, "B", makeId);
    const row = Object.values(theirs.version)[0]!;
    // Written a fourth up, in C for G, and performed in the same key.
    const up: Record<string, string> = { G: "C", C: "F", D: "G", Em: "Am" };
    for (const { id, symbol } of Object.values(theirs.chords))
      theirs = act(theirs, set("chords", id, { symbol: up[symbol]! }));
    theirs = act(theirs, set("version", row.id, { writtenKey: "C" }));
    expect(said(mine, theirs)).toEqual([]);
    theirs = act(theirs, set("chords", chordOf(theirs, "Am").id, { symbol: "F" }));
    expect(said(mine, theirs)).toEqual(["chorus, line 1: C for Em"]);
    expect(said(takeAll(mine, theirs), theirs)).toEqual([]);
  });
});

describe("likenesses", () => {
  it("tells verse 2 as verse 1 with its difference", () => {
    const body = sampleVersion(
      {
        one: { lines: ["a/G:4", "b/C:4", "c/D:4"] },
        two: { lines: ["x/G:4", "y/C:4", "z/D:2 w/Am:1 v/D:1"] },
        three: { lines: ["x/G:4", "y/C:4", "z/D:4"] },
        four: { lines: ["x/F:4"] },
      },
      ["one", "two", "three", "four"],
    );
    expect([...likenesses(outlineOf(body), (a, b) => differencesFrom(a, b, "1/4"))]).toEqual([
      [
        "two",
        { like: "one", label: "one", differences: ["line 3: two more chords, D 2 beats, not 4 beats"] },
      ],
      ["three", { like: "one", label: "one", differences: [] }],
    ]);
  });
});
