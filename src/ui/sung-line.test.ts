import { describe, expect, it } from "vitest";
import { sumBars } from "@/core/rhythm";
import { outlineOf, timedChords } from "@/core/song/read";
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
