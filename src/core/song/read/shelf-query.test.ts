import { describe, expect, it } from "vitest";
import { chordMark, chordMarks, parseShelfQuery, titleKeyOf } from "./shelf-query";

describe("a search of the shelf", () => {
  it("reads words, chords and tags", () => {
    const query = parseShelfQuery("Über the bay, uses B♭m D/F# #slow");
    expect(query).toEqual({
      words: ["uber", "the", "bay"],
      chords: [chordMark("Bbm"), chordMark("D/F#")],
      tags: ["slow"],
    });
  });
  it("takes chord names as words without “uses”", () =>
    expect(parseShelfQuery("A light")).toMatchObject({ words: ["a", "light"], chords: [] }));
  it("reads chords in letters, syllables and with H, sharps and flats alike", () => {
    expect(parseShelfQuery("uses Sib La♯ A# H7 Fa#m").chords).toEqual(
      ["Bb", "Bb", "Bb", "B7", "F#m"].map(chordMark),
    );
    expect(parseShelfQuery("uses B Fis si es")).toMatchObject({
      words: ["si", "es"],
      chords: [chordMark("B"), chordMark("F#")],
    });
  });
  it("finds a chord by any of its spellings, and with a bass by the chord alone", () => {
    expect(chordMark("Bbm")).toBe(chordMark("A#min"));
    expect(chordMark("C")).not.toBe(chordMark("Cm"));
    expect(chordMarks("D/F#")).toContain(chordMark("D"));
    expect(chordMarks("H7")).toEqual([]);
  });
  it("folds titles", () => expect(titleKeyOf("  L’été, à la Mer! ")).toBe("l ete a la mer"));
});
