import { describe, expect, it } from "vitest";
import { edited, Q } from "../../../testing/song/heard";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { readPattern } from "../rhythm";
import { addException, type ExceptionFields } from "../song/edit";
import { outlineOf, timelineOf } from "../song/read";
import type { ExceptionKind } from "../song/schema";
import { playedNotes, playedStrokes, signOfStroke } from "./played-strokes";

let count = 0;
const pattern = unwrap(
  readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: "D . D . D . D ." }),
);
/** A bar of G and a bar of C, struck on each beat. */
const song = () => sampleVersion({ verse: { lines: ["a/G:4 b/C:4"] } }, ["verse"]);
const passageOf = (kind?: ExceptionKind, fields: ExceptionFields = {}) => {
  const body = song();
  const home = { sectionId: "verse", times: "every" as const };
  const said = kind
    ? edited(
        body,
        addException(outlineOf(body), home, kind, fields, () => `k${count++}`),
      )
    : body;
  return timelineOf(said).passages[0]!;
};
const struck = (kind?: ExceptionKind, fields?: ExceptionFields) =>
  playedStrokes({ pattern, out: false }, passageOf(kind, fields), "chord").map(({ tick }) => tick / Q);

describe("strokes where they now fall", () => {
  it("go with a chord that comes early or late, and stop where it is stopped or choked", () => {
    expect(struck()).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(struck("push", { chordId: "verse-l0-c1", ticks: Q / 2 })).toContain(3.5);
    expect(struck("late", { chordId: "verse-l0-c1", ticks: Q / 2 })).toEqual([0, 1, 2, 3, 4.5, 5, 6, 7]);
    expect(struck("choke", { chordId: "verse-l0-c1", ticks: Q / 2 })).toEqual([0, 1, 2, 3, 4]);
    expect(struck("stop", { chordId: "verse-l0-c0", ticks: 2 * Q })).toEqual([0, 1, 4, 5, 6, 7]);
    expect(struck("tacet")).toEqual([]);
    expect(playedStrokes({ pattern, out: true }, passageOf(), "chord")).toEqual([]);
  });

  it("are of a pattern of their own under chords of half a bar or less", () => {
    const [short, half] = ["D U D U", "D . U ."].map((text) =>
      unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text })),
    );
    const body = sampleVersion({ verse: { lines: ["a/G:4 b/C:2 c/D:2"] } }, ["verse"]);
    const passage = timelineOf(body).passages[0]!;
    const played = playedStrokes({ pattern, shortPattern: short!, out: false }, passage, "section");
    expect(played.map(({ tick, isShort }) => `${tick / Q}${isShort ? "s" : ""}`).join(" ")).toBe(
      "0 1 2 3 4s 4.5s 5s 5.5s 6s 6.5s 7s 7.5s",
    );
    // Each short chord begins it anew; a long one keeps its own.
    const other = playedStrokes({ pattern, shortPattern: half!, out: false }, passage, "chord");
    expect(other.filter(({ isShort }) => isShort).map(({ tick }) => tick / Q)).toEqual([4, 5, 6, 7]);
    expect(playedStrokes({ pattern, shortPattern: null, out: false }, passage, "chord")).toHaveLength(8);
  });

  it("have a sign each", () => {
    const kinds = [{ kind: "down", weight: 2 }, { kind: "up", weight: 2 }, { kind: "dead" }] as const;
    expect(kinds.map((stroke) => signOfStroke({ stroke }))).toEqual(["↓", "↑", "×"]);
  });
});

describe("notes of a line where they now fall", () => {
  const notes = [0, 1, 2, 3].map((beat) => ({ tick: beat * Q, ticks: Q }));
  const lined = (
    kind?: ExceptionKind,
    fields?: ExceptionFields,
    silent: (tick: number) => boolean = () => false,
  ) => playedNotes(notes, 4 * Q, passageOf(kind, fields), silent).map(({ tick }) => tick / Q);

  it("go round through the section, later after a hold, and not in a silence", () => {
    expect(lined()).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(lined("hold", { chordId: "verse-l0-c0", ticks: 2 * Q })).toEqual([0, 1, 2, 3, 6, 7, 8, 9]);
    expect(lined("stop", { chordId: "verse-l0-c0", ticks: 2 * Q })).toEqual([0, 1, 4, 5, 6, 7]);
    expect(lined(undefined, undefined, (tick) => tick < 4 * Q)).toEqual([4, 5, 6, 7]);
    expect(lined("tacet")).toEqual([]);
  });
});
