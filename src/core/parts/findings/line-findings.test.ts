import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../../testing/fretboard/sample-note";
import { edited, Q } from "../../../../testing/song/heard";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import type { TabNote } from "../../fretboard";
import { addRiff, set, setCell, takePattern } from "../../song/edit";
import { indexCells, outlineOf } from "../../song/read";
import type { Cell, Riff, VersionBody } from "../../song/schema";
import { bandSheet } from "../band";
import { describeFinding } from "./describe-finding";
import { findingsOf } from "./findings";
import type { FindingKind } from "./sheet-finding";

/** Four bars of G, then the same a semitone up; a guitar has a line of a bar there. */
function song(notes: readonly TabNote[], cell: Partial<Cell> = {}, more: Partial<Riff> = {}): VersionBody {
  const plain = sampleVersion({ verse: { lines: ["a/G:4 b/G:4 c/C:4 d/G:4"] } }, ["verse", "verse"], [{}]);
  const raised = edited(plain, set("uses", "u1", { shift: 1 }));
  let made = 0;
  const makeId = () => `n${made++}`;
  const riff = sampleRiff({ name: "Bells", ...more });
  const places = ["u0", "u1"].map((useId) => ({ useId, playerId: "p0" }));
  const body = edited(
    raised,
    addRiff(raised, indexCells(raised, outlineOf(raised)), riff, notes, places, makeId),
  );
  return edited(body, setCell(indexCells(body, outlineOf(body)), "u0", "p0", cell, makeId));
}
const found = (body: VersionBody, kind: FindingKind) =>
  findingsOf(bandSheet(body), new Map(), 666).filter((one) => one.kind === kind);

describe("a line outside chord and key", () => {
  // C# on B, fret 2, a beat; then G.
  const OUTSIDE = [sampleNote(0, 4, 2, { ticks: Q }), sampleNote(Q, 5, 3, { ticks: Q })];
  it("is told with its note, the chord and the bars where it stays there", () => {
    const [finding] = found(song(OUTSIDE), "line-outside");
    expect(finding).toMatchObject({
      useId: "u0",
      bars: [0, 1, 2, 3],
      notes: [
        { note: "C#", over: "G" },
        { note: "C#", over: "C" },
      ],
    });
    expect(describeFinding(finding!).what).toBe(
      "P0’s line “Bells” stays on C# over G and C# over C in bars 1–4 of verse 1.",
    );
  });

  it("is told where it sounds: in the raised section moved along, and only in the bars it is played", () => {
    const body = song(OUTSIDE, { bars: [[2, 3]] });
    const [first, second] = found(body, "line-outside");
    expect(first).toMatchObject({ useId: "u0", bars: [2], notes: [{ note: "C#", over: "C" }] });
    expect(second).toMatchObject({ useId: "u1", notes: [{ note: "D", over: "Db" }], bars: [2] });
  });

  it("passes where it is short, optional in length, dead or a tone of the chord", () => {
    expect(
      found(song([sampleNote(0, 4, 2, { ticks: 480 }), sampleNote(480, 5, 3, { ticks: Q })]), "line-outside"),
    ).toEqual([]);
    expect(found(song([{ ...sampleNote(0, 4, 2, { ticks: Q }), art: "dead" }]), "line-outside")).toEqual([]);
    expect(found(song([sampleNote(0, 4, 3, { ticks: Q })]), "line-outside")).toEqual([]);
  });
});

describe("a line that can't be played as written", () => {
  it("says what the first trouble is, and how many more there are", () => {
    const twice = [sampleNote(0, 4, 3, { ticks: Q }), sampleNote(0, 4, 5, { ticks: Q })];
    const [finding] = found(song(twice), "line-cant");
    expect(describeFinding(finding!).what).toContain(
      "is on a string that is struck at the same moment already",
    );
    expect(found(song([sampleNote(0, 4, 3, { ticks: Q })]), "line-cant")).toEqual([]);
  });
});

describe("a line and strummed chords", () => {
  it("meet in the bars where both strike at once", () => {
    const body = song([sampleNote(0, 5, 3, { ticks: Q })], { bars: [[1, 3]] });
    let made = 0;
    const makeId = () => `s${made++}`;
    const quarters = {
      name: "Quarters",
      kind: "strum" as const,
      meter: { beats: 4, unit: 4 },
      subdivision: 2 as const,
      swing: 0.5,
      text: "D . D . D . D .",
    };
    const index = indexCells(body, outlineOf(body));
    const place = [{ useId: "u0", playerId: "p0" }];
    const both = edited(body, takePattern(body, index, quarters, place, makeId));
    const [finding] = found(both, "line-and-chords");
    expect(finding).toMatchObject({ useId: "u0", bars: [1, 2] });
    expect(describeFinding(finding!).what).toContain("in bars 2–3 of verse 1");
  });
});
