import { describe, expect, it } from "vitest";
import { describeSheetProblem } from "../describe-sheet-problem";
import { readChordText } from "./read-chord-text";

const read = (head: string, chords = "G C D G", options = {}) =>
  readChordText(`${head}\n\n[Verse]\n${chords}\nla la la la`, options);
const said = (head: string, chords?: string) => {
  const { key, keySure, capo, shapes, problems } = read(head, chords);
  return [key, keySure, capo, shapes, problems.map(({ code }) => code).join(" ")];
};

describe("a key and a capo on one sheet, worked by hand", () => {
  it.each([
    // A key the chords don't fit is what sounds behind the capo; `key` is then that of the shapes.
    ["Capo: 3\nKey: Bb", "G C D G", ["G", true, 3, true, ""]],
    // One they fit stays: the chords sound as written.
    ["Capo: 3\nKey: G", "G C D G", ["G", true, 3, false, ""]],
    ["Capo: 3\nKey: Bb", "Bb Eb F Bb", ["Bb", true, 3, false, ""]],
    ["Capo: 2\nKey: F#m", "Em Am B7 Em", ["Em", true, 2, true, ""]],
    // Both fit: G and C are chords of G and of C; the ends tell, and it is said.
    ["Key: C\nCapo: 5", "G C C G", ["G", true, 5, true, "capo-or-key"]],
    ["Key: C\nCapo: 5", "C G G C", ["C", true, 5, false, "capo-or-key"]],
    // A capo alone: shapes, and the key is a guess.
    ["Capo: 3", "G C D G", ["G", false, 3, true, ""]],
    ["Key: G", "G C D G", ["G", true, 0, false, ""]],
    ["Capo 4 (play in C, sounds in E)", "C F G C", ["C", true, 4, true, ""]],
    ["Key: E\nCapo 4 (play in C)", "C F G C", ["C", true, 4, true, ""]],
    ["Capo 4 (sounds in E)", "C F G C", ["C", true, 4, true, ""]],
    ["Key: D\nCapo 2, G shapes", "G C D G", ["G", true, 2, true, "capo-against-key"]],
  ])("%s over %s", (head, chords, expected) => {
    expect(said(head as string, chords as string)).toEqual(expected);
  });

  it("says which line, what is taken, and offers the other", () => {
    const [problem] = read("Key: C\nCapo: 5", "G C C G").problems;
    expect(problem).toMatchObject({ line: 2, column: 1, suggestions: ["what sounds, in C"] });
    expect(describeSheetProblem(problem!)).toContain("shapes in G behind capo 5, sounding in C");
    const [against] = read("Key: D\nCapo 2, G shapes").problems;
    expect(against).toMatchObject({ line: 2, suggestions: ["key A"] });
  });

  it("who decides by hand is taken at their word", () => {
    expect(read("Key: C\nCapo: 5", "G C C G", { shapes: false })).toMatchObject({
      key: "C",
      shapes: false,
      problems: [],
    });
    expect(read("Key: C\nCapo: 5", "C G G C", { shapes: true })).toMatchObject({
      key: "C",
      shapes: true,
      problems: [],
    });
    expect(read("Capo: 3", "G C D G", { shapes: false })).toMatchObject({
      key: "G",
      keySure: true,
      shapes: false,
    });
    expect(read("Capo 2, G shapes", "G C D G", { shapes: false })).toMatchObject({ key: "G", shapes: false });
  });
});
