import { describe, expect, it } from "vitest";
import { sumBars } from "@/core/rhythm";
import { addException, type ExceptionFields } from "@/core/song/edit";
import { outlineOf, timedChords, timelineOf } from "@/core/song/read";
import type { ExceptionKind } from "@/core/song/schema";
import { edited } from "../../testing/song/heard";
import { sampleVersion } from "../../testing/song/sample-version";
import { describeFrets, writeFrets } from "./ChordDiagram";
import { piecesOf } from "./pieces";
import { describeKey, describeTime, pretty } from "./pretty";
import { notches } from "./SungLine";

describe("notches", () => {
  it("draws one a beat, taller where a bar begins", () => {
    expect(notches({ beats: 6, from: 0 }, 4).map((notch) => notch.bar)).toEqual([
      true,
      false,
      false,
      false,
      true,
      false,
    ]);
    expect(notches({ beats: 2, from: 3 }, 4).map((notch) => notch.bar)).toEqual([false, true]);
  });

  it("draws a part of a beat short", () => {
    expect(notches({ beats: 1.5, from: 0 }, 4).map((notch) => notch.share)).toEqual([1, 0.5]);
    expect(notches({ beats: 0, from: 0 }, 4)).toEqual([]);
  });
});

describe("piecesOf", () => {
  it("cuts a line at its chords, words before the first standing alone", () => {
    const outline = outlineOf(sampleVersion({ v: { lines: ["We go/G:4 on/C:3"] } }, ["v"])).sections[0]!;
    const [sum] = sumBars([{ pickup: 0, lines: outline.lines.map(timedChords) }], 3840);
    const pieces = piecesOf(outline.lines[0]!, sum!.lines[0], "1/4", (symbol) => ({
      name: symbol,
      readable: true,
    }));
    expect(pieces.map((piece) => [piece.words, piece.name, piece.beats, piece.from])).toEqual([
      ["We ", null, 0, 0],
      ["go ", "G", 4, 0],
      ["on", "C", 3, 4],
    ]);
  });
});

describe("what is not played as it is written", () => {
  const Q = 960;
  const piecesIn = (
    kind: ExceptionKind,
    fields: ExceptionFields,
    silent?: (from: number, to: number) => boolean,
  ) => {
    const plain = sampleVersion({ v: { lines: ["a/G:4 b/C:4", "c/D:4"] } }, ["v"]);
    const home = { sectionId: "v", times: "every" as const };
    let count = 0;
    const body = edited(
      plain,
      addException(outlineOf(plain), home, kind, fields, () => `x${count++}`),
    );
    const { lines } = timelineOf(body).passages[0]!;
    return lines.map(({ outline, events }, at) => {
      const next = lines[at + 1];
      return piecesOf(outline, undefined, "1/4", (name) => ({ name, readable: true }), {
        events,
        next: next
          ? { name: next.outline.chords[0]!.chord.symbol, readable: true, event: next.events[0]! }
          : null,
        ...(silent && { isSilent: silent }),
      });
    });
  };

  it("begins early under the words before, late under its own, and says so", () => {
    const [line] = piecesIn("push", { chordId: "v-l0-c1", ticks: Q / 2 });
    expect(line!.map(({ played }) => [played?.lead ?? 0, played?.tail ?? 0, played?.said ?? ""])).toEqual([
      [0, -0.5, ""],
      [0.5, 0, "early"],
    ]);
    expect(notches(line![1]!, 4).map(({ share, bar }) => [share, bar])).toEqual([
      [0.5, false],
      [1, true],
      [1, false],
      [1, false],
      [1, false],
    ]);
    const [late] = piecesIn("late", { chordId: "v-l0-c1", ticks: Q / 2 });
    expect(late!.map(({ played }) => [played?.lead, played?.tail])).toEqual([
      [0, 0.5],
      [-0.5, 0],
    ]);
    expect(notches(late![1]!, 4).map(({ share }) => share)).toEqual([0.5, 1, 1, 1]);
  });

  it("over the end of a line: it begins there, and goes on in its own", () => {
    const [first, second] = piecesIn("push", { chordId: "v-l1-c0", ticks: Q / 2 });
    expect(first!.map(({ name, beats, tied }) => [name, beats, tied])).toEqual([
      ["G", 4, undefined],
      ["C", 3.5, undefined],
      ["D", 0.5, "early"],
    ]);
    expect(second!.map(({ name, beats, tied, played }) => [name, beats, tied, played?.lead])).toEqual([
      ["D", 4, "on", 0],
    ]);
  });

  it("is silent after a choke and longer in a hold", () => {
    const [line] = piecesIn("choke", { chordId: "v-l0-c1", ticks: Q / 2 });
    expect(notches(line![1]!, 4).map(({ share, silent }) => [share, silent])).toEqual([
      [0.5, false],
      [0.5, true],
      [1, true],
      [1, true],
      [1, true],
    ]);
    const [held] = piecesIn("hold", { chordId: "v-l0-c1", ticks: 2 * Q, cued: true });
    expect([held![1]!.beats, held![1]!.played?.said]).toEqual([6, "hold until the sign"]);
    expect(notches(held![1]!, 4).map(({ held: isHeld }) => isHeld)).toEqual([
      false,
      false,
      false,
      false,
      true,
      true,
    ]);
  });

  it("a reader's own silence is drawn by beats, or as a whole", () => {
    const [line] = piecesIn("stop", { chordId: "v-l1-c0", ticks: Q }, (from, to) => to <= 6 * Q || from < 0);
    expect(line!.map(({ silent, quiet }) => [silent ?? false, quiet ?? []])).toEqual([
      [true, []],
      [false, [0, 1]],
    ]);
  });
});

describe("words for people", () => {
  it("has real accidentals, and leaves other letters", () => {
    expect(["Bb/D#", "F#m7b5", "Ebmaj7", "C7(b9)", "Bbb", "Gsus4"].map(pretty)).toEqual([
      "B♭/D♯",
      "F♯m7♭5",
      "E♭maj7",
      "C7(♭9)",
      "B♭♭",
      "Gsus4",
    ]);
    expect(describeKey("F#m")).toBe("F♯ minor");
    expect([75, 59.6, 0].map(describeTime)).toEqual(["1:15", "1:00", "0:00"]);
  });

  it("says a shape", () => {
    expect(writeFrets([null, 3, 2, 0, 1, 0])).toBe("x 3 2 0 1 0");
    expect(describeFrets([null, 3, 0])).toBe("not played, 3, open");
  });
});
