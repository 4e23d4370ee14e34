import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sure } from "../base";
import { alignLists } from "./align";
import type { Body, VersionBody } from "./body";
import { checkBody } from "./check-body";
import { removeUse, set } from "./commands";
import { compareVersions, likenesses } from "./compare";
import { copyVersion } from "./copy-version";
import { applyEdit, type Command } from "./edit";
import { outlineOf } from "./outline";
import { sampleVersion } from "./sample-version";

let count = 0;
const makeId = () => `c${count++}`;
const act = (body: VersionBody, command: Command): VersionBody => {
  const next = sure(applyEdit("version", body as unknown as Body, command)).body;
  expect(checkBody("version", next).ok).toBe(true);
  return next as unknown as VersionBody;
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
      "Form, verse: other key shift",
      "Ann: capo 2 there",
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

  it("takes single differences over, until none is left that can be taken", () => {
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
    expect(said(mine, theirs)).toEqual(["Form: intro is played there, not here"]);
  });

  it("tells what is played on one side only", () => {
    const mine = song();
    const theirs = copyVersion(mine, "B", makeId);
    const without = act(theirs, removeUse(theirs, outlineOf(theirs).form[1]!.id));
    expect(said(mine, without)).toEqual(["Form: chorus is played here, not there"]);
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
    expect([...likenesses(outlineOf(body), "1/4")]).toEqual([
      [
        "two",
        { like: "one", label: "one", differences: ["line 3: two more chords, D 2 beats, not 4 beats"] },
      ],
      ["three", { like: "one", label: "one", differences: [] }],
    ]);
  });
});
