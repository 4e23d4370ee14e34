import { describe, expect, it } from "vitest";
import { edited } from "../../../../testing/song/heard";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { playAsUsual, setEntrances, silencedWith } from "../edit/entrances";
import type { BarsSaid } from "../schema/bars-said";
import type { VersionBody } from "../schema/documents";
import { EMPTY_CELL } from "../schema/parts";
import { inBoth, joined } from "./bar-ranges";
import { formatBars, readBars, wordsIn } from "./bars-text";
import { outlineOf } from "./outline";
import { formatEntrances, readEntrances } from "./read-entrance";
import { barsAt, indexCells, isOut, resolveCell } from "./resolve-cells";
import { timelineOf } from "./timeline";

let count = 0;
const makeId = () => `e${count++}`;

/** A verse of four bars, a chorus of two: verse, chorus, verse twice, chorus. */
const song = () =>
  sampleVersion(
    {
      verse: { lines: ["Light/G:4 on/C:4", "dark/D:4 sea/G:4"] },
      chorus: { lines: ["Ring/Em:8"] },
    },
    ["verse", "chorus", "versex2", "chorus"],
    [{ role: "support" }],
  );

const says = (body: VersionBody, use: number, text: string): VersionBody => {
  const useId = `u${use}`;
  const passage = timelineOf(body).passages.find((one) => one.use.id === useId)!;
  const said = unwrap(readEntrances(text, passage.bars.length, wordsIn(passage)));
  return edited(body, setEntrances(body, useId, "p0", said, makeId));
};

/** What the player plays, use by use and round by round: "-" for nothing, "all", or bars counted from 0. */
const plays = (body: VersionBody): string[] => {
  const outline = outlineOf(body);
  const index = indexCells(body, outline);
  return outline.form.map((use) => {
    const cell = resolveCell(index, use, body.players.p0!);
    const rounds = Array.from({ length: use.repeat }, (_, round) => barsAt(cell, round));
    const told = rounds.map((bars) =>
      bars === null ? "all" : bars.length === 0 ? "-" : bars.map(([from, to]) => `${from}..${to}`).join(" "),
    );
    expect(isOut(cell)).toBe(told.every((one) => one === "-"));
    return told.join(" | ");
  });
};

describe("who comes in when, by hand", () => {
  it.each([
    [2, "enters here", ["-", "-", "all | all", "all"]],
    [2, "enters at the second half", ["-", "-", "2..4 | all", "all"]],
    [0, "enters at bar 3", ["2..4", "all", "all | all", "all"]],
    [0, "enters at “dark”", ["2..4", "all", "all | all", "all"]],
    [0, "enters at “on”", ["1..4", "all", "all | all", "all"]],
    [1, "leaves here", ["all", "-", "- | -", "-"]],
    [1, "leaves at the second half", ["all", "0..1", "- | -", "-"]],
    [1, "only here", ["-", "all", "- | -", "-"]],
    [2, "only the last 2", ["-", "-", "2..4 | 2..4", "-"]],
    [0, "enters at bar 2; leaves at bar 4", ["1..3", "-", "- | -", "-"]],
  ] as const)("at place %i: %s", (use, text, told) => expect(plays(says(song(), use, text))).toEqual(told));

  it("exits and entrances count in the order of the song", () => {
    let body = says(song(), 1, "leaves here");
    body = says(body, 3, "enters here");
    expect(plays(body)).toEqual(["all", "-", "- | -", "all"]);
    // The same said the other way round: in between only.
    body = says(says(song(), 1, "enters here"), 3, "leaves here");
    expect(plays(body)).toEqual(["-", "all", "all | all", "-"]);
  });

  it("a word inside a bar is a place inside it", () => {
    const body = sampleVersion({ verse: { lines: ["Light/G:2 on/C:2 the/D:4"] } }, ["verse"], [{}]);
    expect(plays(says(body, 0, "enters at “on”"))).toEqual(["0.5..2"]);
  });

  it("cuts the bars a part plays anyway, and follows the section when it grows", () => {
    const cell = {
      ...EMPTY_CELL,
      id: "c",
      useId: "u0",
      playerId: "p0",
      bars: [["first", 3] as ["first", number]],
    };
    let body: VersionBody = { ...song(), cells: { c: cell } };
    // The second use of the verse takes its bars over.
    expect(plays(body)).toEqual(["0..3", "all", "0..3 | 0..3", "all"]);
    body = says(body, 0, "enters at the second half");
    expect(plays(body)).toEqual(["2..3", "all", "0..3 | 0..3", "all"]);
    const longer = { ...body.chords["verse-l1-c1"]!, ticks: 12 * 960 };
    expect(plays({ ...body, chords: { ...body.chords, [longer.id]: longer } })[0]).toBe("-");
  });
});

describe("a silence at a section's first use", () => {
  it("is told with those it silences, and undone for them in one act", () => {
    const cell = { ...EMPTY_CELL, id: "c", useId: "u0", playerId: "p0", role: "out" as const };
    const body: VersionBody = { ...song(), cells: { c: cell } };
    const outline = outlineOf(body);
    const index = indexCells(body, outline);
    const others = silencedWith(index, outline.form, outline.form[0]!, body.players.p0!);
    expect(others.map(({ id }) => id)).toEqual(["u2"]);
    const after = edited(body, playAsUsual(index, others, body.players.p0!, makeId));
    const resolved = resolveCell(indexCells(after, outlineOf(after)), outline.form[2]!, after.players.p0!);
    expect([isOut(resolved), resolved.role.value]).toEqual([false, "support"]);
    expect(silencedWith(index, outline.form, outline.form[2]!, body.players.p0!)).toEqual([]);
  });
});

describe("bars as people say them", () => {
  const words = [
    { id: "a", text: "Light" },
    { id: "b", text: "water," },
  ];
  it.each([
    ["second half", [["half", 2]], "second half"],
    ["the first half", [["half", 1]], "first half"],
    ["last 2", [["last", 2]], "last 2"],
    ["the last bar", [["last", 1]], "last bar"],
    ["first two bars", [["first", 2]], "first 2"],
    ["from “water”", [["from", "b"]], "from “water”"],
    ["from bar 5", [[4, 8]], "5-8"],
    [
      "1-2, last 2",
      [
        [0, 2],
        ["last", 2],
      ],
      "1-2, last 2",
    ],
    ["bars 5–8", [[4, 8]], "5-8"],
  ] as const)("%s", (text, said, written) => {
    const read = unwrap(readBars(text, 8, words));
    expect(read).toEqual(said);
    expect(formatBars(read, words)).toBe(written);
    expect(unwrap(readBars(written, 8, words))).toEqual(said);
  });

  it.each([
    ["last 9", "outside"],
    ["from “tide”", "no-word"],
    ["some of it", "not-bars"],
    ["from bar 9", "outside"],
  ])("%s is refused: %s", (text, code) => {
    expect(readBars(text, 8, words)).toMatchObject({ ok: false, problem: { code } });
  });

  it("entrances are read back as they are written, and refused in words", () => {
    const all: { kind: "enters" | "leaves" | "only"; bars: BarsSaid | null }[] = [
      { kind: "enters", bars: [["half", 2]] },
      { kind: "leaves", bars: [[4, 8]] },
      { kind: "only", bars: [["last", 2]] },
      { kind: "enters", bars: [["from", "b"]] },
      { kind: "only", bars: null },
    ];
    const written = formatEntrances(all, words);
    expect(unwrap(readEntrances(written, 8, words))).toEqual(all);
    expect(readEntrances("sleeps", 8)).toMatchObject({ ok: false, problem: { code: "not-entrance" } });
    expect(readEntrances("enters at bar 12", 8)).toMatchObject({ ok: false, problem: { code: "outside" } });
  });

  it("ranges are joined, and what two have in common is found", () => {
    expect(
      joined([
        [4, 6],
        [0, 2],
        [2, 3],
        [8, 8],
      ]),
    ).toEqual([
      [0, 3],
      [4, 6],
    ]);
    expect(inBoth([[0, 4]], [[2, 6]])).toEqual([[2, 4]]);
    expect(inBoth(null, [[2, 6]])).toEqual([[2, 6]]);
    expect(inBoth([[0, 1]], [[2, 3]])).toEqual([]);
  });
});
