import { describe, expect, it } from "vitest";
import { adjustmentsSchema, adjustSheet, canJoin, placeRead, readOptionsOf, sectionsRead } from "./adjust";
import { readChordText } from "./chord-text";

const sheet = readChordText(
  "[Verse]\nG C\nlight\n\n[Part]\nD  (softly)\nmore\n\n[Chorus]\nG\nring\n\n[Verse]\n[Part]\n[Chorus] x2",
);

describe("what a person changes before a song is made", () => {
  it("names, kinds, key, tempo and metre", () => {
    const changed = adjustSheet(sheet, {
      key: "D",
      tempo: 66,
      meter: { beats: 3, unit: 4 },
      sections: [{ section: 1, label: "Lift", kind: "pre-chorus" }],
    });
    expect(changed).toMatchObject({ key: "D", keySure: true, tempo: 66, meter: { beats: 3, unit: 4 } });
    expect(changed.sections.map((one) => [one.label, one.kind])).toEqual([
      ["Verse", "verse"],
      ["Lift", "pre-chorus"],
      ["Chorus", "chorus"],
    ]);
  });

  it("joins a section to the one before, with its lines, notes and places in the form", () => {
    expect([0, 1, 2].map((index) => canJoin(sheet, index))).toEqual([false, true, false]);
    const joined = adjustSheet(sheet, { sections: [{ section: 1, join: true }] });
    expect(joined.sections.map((one) => [one.label, one.lines.length])).toEqual([
      ["Verse", 2],
      ["Chorus", 1],
    ]);
    expect(joined.form.map((use) => [use.section, use.repeat])).toEqual([
      [0, 1],
      [1, 1],
      [0, 1],
      [1, 2],
    ]);
    expect(joined.extras).toMatchObject([{ text: "(softly)", section: 0, line: 1 }]);
  });

  it("does not join what is played by itself somewhere", () => {
    const alone = readChordText("[A]x\n\n[Verse]\nG\na\n\n[Part]\nC\nb\n\n[Part]");
    expect(
      canJoin(
        alone,
        alone.sections.findIndex((one) => one.label === "Part"),
      ),
    ).toBe(false);
  });

  it("sets beats of lines, before sections are joined; a row for another number of chords is passed over", () => {
    const adjustments = {
      sections: [{ section: 1, join: true }],
      beats: [
        { section: 0, line: 0, beats: [6, 2] },
        { section: 1, line: 0, beats: [1.5] },
        { section: 2, line: 0, beats: [1, 1] },
        { section: 9, line: 0, beats: [1] },
      ],
    };
    const set = adjustSheet(sheet, adjustments);
    const beats = set.sections.map(({ lines }) =>
      lines.map(({ chords }) => chords.map(({ ticks, guessed }) => [ticks / 960, guessed])),
    );
    expect(beats[0]).toEqual([
      [
        [6, false],
        [2, false],
      ],
      [[1.5, false]],
    ]);
    expect(beats[1]![0]![0]![1]).toBe(true);
    expect(placeRead(sheet, adjustments, { section: 0, line: 0 })).toEqual({ section: 0, line: 0 });
    expect(placeRead(sheet, adjustments, { section: 0, line: 1 })).toEqual({ section: 1, line: 0 });
    expect(placeRead(sheet, adjustments, { section: 1, line: 0 })).toEqual({ section: 2, line: 0 });
    expect(placeRead(sheet, adjustments, { section: 7, line: 0 })).toBe(null);
    expect([0, 1, 7].map((section) => sectionsRead(sheet, adjustments, section))).toEqual([[0, 1], [2], []]);
  });

  it("gives the reader what it needs, and refuses what is no value", () => {
    expect(readOptionsOf({ key: "A", beatsPerChord: 2 })).toMatchObject({ key: "A", beatsPerChord: 2 });
    expect(adjustmentsSchema.safeParse({ key: "H" }).success).toBe(false);
    expect(adjustmentsSchema.safeParse({ meter: { beats: 4, unit: 3 } }).success).toBe(false);
    expect(adjustmentsSchema.safeParse({ tempo: 0 }).success).toBe(false);
    expect(adjustmentsSchema.safeParse({}).success).toBe(true);
  });
});
