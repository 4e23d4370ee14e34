import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit, checkBody } from "../../../document";
import { Namer, PLAIN_READER } from "../names";
import { describeException } from "../read/describe-exception";
import { outlineOf } from "../read/outline";
import { type Passage, passageSum, timelineOf, versionRow } from "../read/timeline";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import type { ExceptionKind } from "../schema/sections";
import { addException, blankException, type ExceptionFields } from "./add-exception";
import type { VersionCommand } from "./edits";
import { fold } from "./fold";
import { set } from "./makers";
import { unfold } from "./unfold";

const Q = 960;
let count = 0;
const makeId = () => `n${count++}`;

const act = (body: VersionBody, command: VersionCommand): VersionBody => {
  const next = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  expect(checkBody(DOCUMENTS.version, next).ok).toBe(true);
  return next;
};

const except = (
  body: VersionBody,
  useId: string,
  kind: ExceptionKind,
  { round = null, ...fields }: ExceptionFields & { round?: number | null } = {},
) => act(body, addException(outlineOf(body), { useId, round }, kind, fields, makeId));

/** "G@0+4" for each chord of a passage: symbol, beat it comes at in the song, beats. */
const played = (passage: Passage) =>
  passage.lines.flatMap(({ outline, events }) =>
    outline.chords.map(({ chord }, at) => `${chord.symbol}@${events[at]!.tick / Q}+${events[at]!.ticks / Q}`),
  );
const barsOf = (passage: Passage) =>
  passage.bars.map((bar) => `${bar.number}@${bar.tick / Q}+${bar.ticks / Q}`);
const passagesOf = (body: VersionBody) => timelineOf(body).passages;

/** Worked by hand: a verse of two bars, a chorus of one, played verse, verse, chorus, at 60 a minute. */
const song = () =>
  sampleVersion({ verse: { lines: ["Light/G:2 on/C:2", "the/D:4"] }, chorus: { lines: ["Sing/Em:4"] } }, [
    "verse",
    "versex2",
    "chorus",
  ]);

describe("an exception at a use", () => {
  it("changes a line there and nowhere else", () => {
    let body = except(song(), "u1", "line", { lineId: "verse-l1", round: 2 });
    const copied = Object.values(body.chords).find((chord) => chord.originId === "verse-l1-c0")!;
    body = act(body, set("chords", copied.id, { symbol: "Am" }));
    expect(passagesOf(body).map(played)).toEqual([
      ["G@0+2", "C@2+2", "D@4+4"],
      ["G@8+2", "C@10+2", "D@12+4"],
      ["G@16+2", "C@18+2", "Am@20+4"],
      ["Em@24+4"],
    ]);
    expect(passagesOf(body)[2]!.lines.map((line) => line.origin)).toEqual(["section", "changed"]);
  });

  it("ends otherwise when the named section follows", () => {
    let body = except(song(), "u1", "ending", { followedBy: "chorus", ticks: 4 * Q });
    const copied = Object.values(body.chords).find((chord) => chord.originId === "verse-l1-c0")!;
    body = act(body, set("chords", copied.id, { symbol: "D7", ticks: 8 * Q }));
    expect(passagesOf(body).map(played)).toEqual([
      ["G@0+2", "C@2+2", "D@4+4"],
      ["G@8+2", "C@10+2", "D@12+4"],
      ["G@16+2", "C@18+2", "D7@20+8"],
      ["Em@28+4"],
    ]);
    expect(barsOf(passagesOf(body)[2]!)).toEqual(["5@16+4", "6@20+4", "7@24+4"]);
  });

  it("cuts a chord that an ending begins in the middle of, and the words sung after it", () => {
    const body = except(song(), "u0", "ending", { ticks: 6 * Q });
    const [first] = passagesOf(body);
    // Six beats from the end: the C of the first line goes, and all of the second.
    expect(first!.lines.map((line) => [line.origin, line.outline.text])).toEqual([
      ["section", "Light"],
      ["ending", "on"],
      ["ending", "the"],
    ]);
    expect(played(first!)).toEqual(["G@0+2", "C@2+2", "D@4+4"]);
  });

  it("adds an extra last line, on the last round", () => {
    const body = except(song(), "u1", "extra");
    expect(passagesOf(body).map((one) => one.ticks / Q)).toEqual([8, 8, 12, 4]);
    expect(passagesOf(body)[2]!.lines.at(-1)).toMatchObject({ origin: "extra", outline: { text: "the" } });
  });

  it("holds the last chord: its bar grows and all after it comes later", () => {
    const body = except(song(), "u0", "hold", { ticks: 3 * Q, cued: true });
    const [first, second] = passagesOf(body);
    expect(played(first!)).toEqual(["G@0+2", "C@2+2", "D@4+7"]);
    expect(barsOf(first!)).toEqual(["1@0+4", "2@4+7"]);
    expect(barsOf(second!)).toEqual(["3@11+4", "4@15+4"]);
    expect(first!.lines[1]!.events[0]).toMatchObject({ held: 3 * Q, cued: true });
    expect(timelineOf(body).seconds).toBe(31);
  });

  it("holds a chord in the middle of a bar: what follows in that bar moves", () => {
    const body = except(song(), "u0", "hold", { ticks: Q, chordId: "verse-l0-c0" });
    expect(played(passagesOf(body)[0]!)).toEqual(["G@0+3", "C@3+2", "D@5+4"]);
    expect(barsOf(passagesOf(body)[0]!)).toEqual(["1@0+5", "2@5+4"]);
  });

  it("pushes a chord early at the cost of the one before, also across sections", () => {
    const body = except(except(song(), "u1", "push", { ticks: Q / 2 }), "u3".replace("3", "2"), "push", {
      ticks: Q,
    });
    expect(passagesOf(body).map(played)).toEqual([
      ["G@0+2", "C@2+2", "D@4+3.5"],
      ["G@7.5+2.5", "C@10+2", "D@12+3.5"],
      ["G@15.5+2.5", "C@18+2", "D@20+3"],
      ["Em@23+5"],
    ]);
    expect(barsOf(passagesOf(body)[1]!)).toEqual(["3@8+4", "4@12+4"]);
    expect(passagesOf(body)[3]!.lines[0]!.events[0]!.early).toBe(Q);
  });

  it("cannot push before the song begins", () => {
    const body = except(song(), "u0", "push", { ticks: Q });
    expect(played(passagesOf(body)[0]!)[0]).toBe("G@0+2");
  });

  it("stops: the chord keeps its time and sounds less of it", () => {
    const body = except(song(), "u0", "stop", { ticks: 3 * Q, chordId: "verse-l1-c0" });
    const event = passagesOf(body)[0]!.lines[1]!.events[0]!;
    expect([event.ticks / Q, event.sounds / Q]).toEqual([4, 1]);
  });

  it("raises the key with its own spelling", () => {
    const body = act(song(), set("uses", "u2", { shift: 2 }));
    const shift = passagesOf(body)[3]!.shift;
    const raised = new Namer({ version: body.version }, PLAIN_READER, shift);
    expect(["G", "D/F#", "Em", "Bb"].map((symbol) => raised.name(symbol).sounding)).toEqual([
      "A",
      "E/G#",
      "F#m",
      "C",
    ]);
  });

  it("changes metre and tempo: bars and seconds follow", () => {
    const body = act(song(), set("uses", "u0", { meterBeats: 2, bpm: 120 }));
    expect(barsOf(passagesOf(body)[0]!)).toEqual(["1@0+2", "2@2+2", "3@4+2", "4@6+2"]);
    expect(barsOf(passagesOf(body)[1]!)).toEqual(["5@8+4", "6@12+4"]);
    expect(timelineOf(body).seconds).toBe(4 + 20);
    const three = act(song(), set("uses", "u0", { meterBeats: 3 }));
    const [first, second] = passagesOf(three);
    expect(passageSum(first!, second).open).toMatchObject({ over: 2 * Q, missing: Q });
  });

  it("is silent for the voice and named for itself", () => {
    const body = act(song(), set("uses", "u0", { vocals: false, label: "Verse, played" }));
    expect(passagesOf(body)[0]).toMatchObject({ vocals: false, label: "Verse, played" });
  });
});

/** All that is heard: every passage with its chords, words and ticks, without ids. */
const heard = (body: VersionBody) =>
  passagesOf(body).map((one) => ({
    bars: barsOf(one),
    lines: one.lines.map(({ outline, events, wordTicks }) => ({
      text: outline.text,
      chords: outline.chords.map(({ chord, at }, index) => [chord.symbol, at, events[index]]),
      wordTicks,
    })),
  }));

const eventful = () => {
  let body = song();
  body = except(body, "u1", "line", { lineId: "verse-l0" });
  body = except(body, "u1", "ending", { followedBy: "chorus", ticks: 2 * Q });
  body = except(body, "u1", "hold", { ticks: Q, chordId: "verse-l1-c0", round: 1 });
  body = except(body, "u1", "push", { ticks: Q / 2, round: 2 });
  return except(body, "u0", "stop", { ticks: Q });
};

describe("unfold", () => {
  it.each(["u0", "u1", "u2"])("%s: nothing that is heard changes, and it can be taken back", (useId) => {
    const body = eventful();
    const after = act(body, unfold(body, outlineOf(body), useId, makeId));
    expect(heard(after)).toEqual(heard(body));
    const own = Object.values(after.uses).filter((use) => use.id === useId || use.originId === useId);
    for (const use of own) expect(after.sections[use.sectionId]!.originId).not.toBeNull();
    const left = Object.values(after.exceptions).filter((one) => own.some((use) => use.id === one.useId));
    expect(left.every((one) => ["hold", "push", "stop"].includes(one.kind))).toBe(true);
  });
});

describe("fold", () => {
  const twins = () =>
    sampleVersion(
      {
        one: { lines: ["Light/G:2 on/C:2", "the/D:4"] },
        two: { lines: ["Light/G:2 on/C:2", "the/Am:2 sea/D:2"] },
        odd: { lines: ["x/G:4"] },
      },
      ["one", "two", "odd", "two"],
    );

  it("makes one section of two; what differs becomes a changed line", () => {
    const body = twins();
    const after = act(body, unwrap(fold(body, outlineOf(body), "two", "one", makeId)));
    expect(heard(after)).toEqual(heard(body));
    expect(Object.keys(after.sections).sort()).toEqual(["odd", "one"]);
    expect(passagesOf(after).map((one) => one.label)).toEqual(["one", "two", "odd", "two"]);
    expect(Object.values(after.exceptions).map((one) => [one.kind, one.lineId])).toEqual([
      ["line", "one-l1"],
      ["line", "one-l1"],
    ]);
  });

  it("keeps the exceptions of its uses", () => {
    let body = except(twins(), "u1", "hold", { ticks: Q, chordId: "two-l1-c0" });
    body = except(body, "u1", "line", { lineId: "two-l0", round: 1 });
    body = except(body, "u0", "ending", { followedBy: "two", ticks: 2 * Q });
    body = except(body, "u3", "extra");
    const after = act(body, unwrap(fold(body, outlineOf(body), "two", "one", makeId)));
    expect(heard(after)).toEqual(heard(body));
  });

  it("refuses what does not match", () => {
    const body = twins();
    const refused = (from: string, into: string) => fold(body, outlineOf(body), from, into, makeId);
    expect(refused("odd", "one")).toMatchObject({ problem: { code: "lines-differ" } });
    expect(refused("one", "one")).toMatchObject({ problem: { code: "same-section" } });
  });
});

describe("how an exception is told", () => {
  it("names its chord as the reader names it", () => {
    const body = song();
    const outline = outlineOf(body);
    const use = outline.form[0]!;
    const [chord] = outline.byId.get(use.sectionId)!.lines.flatMap((line) => line.chords);
    const exception = {
      ...blankException({ useId: use.id }, "push", "V", "x"),
      ...{ chordId: chord!.chord.id, ticks: 480 },
    };
    const said = describeException(
      { exception, lines: [], anchors: new Map() },
      use,
      outline,
      versionRow(body),
      () => "Fa",
    );
    expect(said).toBe("Fa comes half a beat early");
  });
});
