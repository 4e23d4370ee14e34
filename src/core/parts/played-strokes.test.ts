import { describe, expect, it } from "vitest";
import { edited, Q } from "../../../testing/song/heard";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { readPattern } from "../rhythm";
import { addException, type ExceptionFields, set } from "../song/edit";
import { outlineOf, timelineOf } from "../song/read";
import type { ExceptionKind } from "../song/schema";
import { playedNotes, playedStrokes, signOfStroke } from "./played-strokes";

let count = 0;
const pattern = unwrap(
  readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: "D . D . D . D ." }),
);
/** A bar of G and a bar of C, struck on each beat. */
const TWO_BARS = "a/G:4 b/C:4";
const passageOf = (kind?: ExceptionKind, fields: ExceptionFields = {}, line = TWO_BARS) => {
  const body = sampleVersion({ verse: { lines: [line] } }, ["verse"]);
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
    expect(played.map(({ tick, of }) => `${tick / Q}${of === "short" ? "s" : ""}`).join(" ")).toBe(
      "0 1 2 3 4s 4.5s 5s 5.5s 6s 6.5s 7s 7.5s",
    );
    // Each short chord begins it anew; a long one keeps its own.
    const other = playedStrokes({ pattern, shortPattern: half!, out: false }, passage, "chord");
    expect(other.filter(({ of }) => of === "short").map(({ tick }) => tick / Q)).toEqual([4, 5, 6, 7]);
    expect(playedStrokes({ pattern, shortPattern: null, out: false }, passage, "chord")).toHaveLength(8);
  });

  it("end in a fill before another chord, where the chord is twice as long as it", () => {
    const fill = unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 4, text: "D U D U" }));
    const played = (line: string, kind?: ExceptionKind, fields?: ExceptionFields) => {
      const passage = passageOf(kind, fields, line);
      return playedStrokes({ pattern, fillPattern: fill, out: false }, passage, "chord")
        .map(({ tick, of }) => `${tick / Q}${of === "fill" ? "f" : ""}`)
        .join(" ");
    };
    // The section ends after D: that is a change as well.
    expect(played("a/G:4 b/D:4")).toBe("0 1 2 3f 3.25f 3.5f 3.75f 4 5 6 7f 7.25f 7.5f 7.75f");
    // The same chord again is no change, and one beat of a chord is no room for a beat of fill.
    expect(played("a/G:4 b/G:4")).toBe("0 1 2 3 4 5 6 7f 7.25f 7.5f 7.75f");
    expect(played("a/G:1 b/D:2")).toBe("0 1 2f 2.25f 2.5f 2.75f");
    // A chord that comes an eighth early cuts the fill, which keeps to its beat.
    expect(played("a/G:4 b/D:4", "push", { chordId: "verse-l0-c1", ticks: Q / 2 })).toBe(
      "0 1 2 3f 3.25f 3.5 5 6 7f 7.25f 7.5f 7.75f",
    );
  });

  it("of a fill end what rang before it", () => {
    const fill = unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: "D D" }));
    const whole = unwrap(
      readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: "D . . . . . . ." }),
    );
    const body = sampleVersion({ verse: { lines: ["a/G:4 b/D:4"] } }, ["verse"]);
    const played = playedStrokes(
      { pattern: whole, fillPattern: fill, out: false },
      timelineOf(body).passages[0]!,
      "chord",
    );
    expect(played.slice(0, 3).map(({ tick, until }) => [tick / Q, until / Q])).toEqual([
      [0, 3],
      [3, 3.5],
      [3.5, 4],
    ]);
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

  const eight = (round = 0) =>
    timelineOf(
      edited(
        sampleVersion({ verse: { lines: ["a/G:16", "b/C:16"] } }, ["verse"]),
        set("uses", "u0", { repeat: 3 }),
      ),
    ).passages[round]!;
  const cellOf = (
    bars: readonly [number, number][] | null,
    lineFill: "again" | "once" | "to the end" = "again",
  ) => ({
    bars: { value: bars, from: "own" as const },
    stays: null,
    lineFill: { value: lineFill, from: "own" as const },
  });

  it("begin in the bars they are played in: a fill of two bars on the last two", () => {
    const fill = [{ tick: 0, ticks: Q }];
    const at = (bars: readonly [number, number][] | null, lineFill?: "again" | "once" | "to the end") =>
      playedNotes(fill, 12 * Q, eight(), () => false, cellOf(bars, lineFill)).map(({ tick }) => tick / Q / 4);
    expect(at([[6, 8]])).toEqual([6]);
    expect(
      at([
        [0, 1],
        [5, 8],
      ]),
    ).toEqual([0, 5]);
    // Three bars through eight: again and cut, once, or ending with the section.
    expect(at(null)).toEqual([0, 3, 6]);
    expect(at(null, "once")).toEqual([0]);
    expect(at(null, "to the end")).toEqual([2, 5]);
  });

  it("are those of their time round, counted on where the section is repeated", () => {
    const endings = [
      { tick: 0, ticks: Q, round: null },
      { tick: Q, ticks: Q, round: 1 },
      { tick: 2 * Q, ticks: Q, round: 3 },
      { tick: 3 * Q, ticks: Q, round: 2, times: "from" as const },
      { tick: 4 * Q, ticks: Q, round: 2, times: "every" as const },
      { tick: 5 * Q, ticks: Q, round: 1, times: "last" as const },
    ];
    const at = (round: number) =>
      playedNotes(endings, 16 * Q, eight(round), () => false).map(({ tick }) => tick / Q);
    // Four bars twice through eight: the third time round begins the section's second time.
    expect(at(0)).toEqual([0, 1, 16, 19, 20]);
    expect(at(1)).toEqual([0, 2, 3, 16, 19, 20]);
    // The sixth and last time.
    expect(at(2)).toEqual([0, 3, 16, 19, 20, 21]);
  });
});
