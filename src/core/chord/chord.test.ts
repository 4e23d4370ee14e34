import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { formatNoteName, parseKey } from "../pitch";
import { hasForeignBass, moveChord, parseChord, type SoundingChord } from "./chord";
import { coloured } from "./colour";
import { guessKey } from "./guess-key";
import { formatTone } from "./tone";

const chord = (text: string): SoundingChord => {
  const read = unwrap(parseChord(text));
  if (read.kind === "none") throw new Error("Expected a sounding chord.");
  return read;
};
const tones = (text: string) => chord(text).tones.map(formatTone).join(" ");
const essential = (text: string) => chord(text).essential.map(formatTone).join(" ");

describe("parseChord", () => {
  // The symbols a general-purpose theory library cannot read, and what they sound (common practice, no source).
  it.each([
    ["CΔ7", "1 3 5 7"],
    ["E7(#9)", "1 3 5 b7 #9"],
    ["Bø7", "1 b3 b5 b7"],
    ["Cadd4", "1 3 5 11"],
    ["Cadd11", "1 3 5 11"],
    ["Cm(add9)", "1 b3 5 9"],
    ["C(add9)", "1 3 5 9"],
    ["Cm(maj7)", "1 b3 5 7"],
    ["C(no3)", "1 5"],
    ["Csus4/9", "1 4 5 9"],
    ["F(add2)", "1 3 5 9"],
    ["Cma9", "1 3 5 7 9"],
    ["C7sus2", "1 2 5 b7"],
    ["E♭", "1 3 5"],
    ["EMI7", "1 b3 5 b7"],
    ["E7/9", "1 3 5 b7 9"],
    ["E6/9/B", "1 3 5 6 9"],
    ["Cmadd9", "1 b3 5 9"],
    ["C-7", "1 b3 5 b7"],
    ["C+7", "1 3 #5 b7"],
    ["C7-5", "1 3 b5 b7"],
    ["Co7", "1 b3 b5 bb7"],
    ["Cm/maj7", "1 b3 5 7"],
    ["C13", "1 3 5 b7 9 11 13"],
    ["C7(b9,#11)", "1 3 5 b7 b9 #11"],
  ])("reads %s", (symbol, expected) => expect(tones(symbol)).toBe(expected));

  it.each(["N.C.", "NC", "n.c."])("reads %s as no chord", (symbol) =>
    expect(unwrap(parseChord(symbol)).kind).toBe("none"),
  );

  it("reads the slash bass and tells a foreign one", () => {
    expect(formatNoteName(chord("E6/9/B").bass!)).toBe("B");
    expect(hasForeignBass(chord("D/F#"))).toBe(false);
    expect(hasForeignBass(chord("C/Bb"))).toBe(true);
    expect(hasForeignBass(chord("C"))).toBe(false);
  });

  it.each([
    "Go",
    "Do",
    "Do7",
    "Add",
    "Bad",
    "Face",
    "Edge",
    "Ebb",
    "Ama",
    "BAD",
    "C/G/B",
    "C//G",
    "C/H",
    "",
    "Hm",
    "am",
    "Cxyz",
    "C(",
    "C/",
  ])("refuses %j", (text) => expect(parseChord(text).ok).toBe(false));

  it("never throws and never reads lower-case words (law)", () => {
    fc.assert(fc.property(fc.string({ maxLength: 40 }), (text) => typeof parseChord(text).ok === "boolean"));
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z]{1,12}$/), (word) => word === "n.c." || !parseChord(word).ok),
    );
  });

  it("knows which tones may go", () => {
    expect(essential("C")).toBe("1 3");
    expect(essential("C9")).toBe("1 3 b7 9");
    expect(essential("C11")).toBe("1 b7 11");
    expect(essential("C13")).toBe("1 3 b7 13");
    expect(essential("C13sus4")).toBe("1 4 b7 13");
    expect(essential("Cdim")).toBe("1 b3 b5");
    expect(essential("C7(#11)")).toBe("1 3 b7 #11");
    expect(essential("C5")).toBe("1 5");
  });
});

describe("moveChord", () => {
  const move = (symbol: string, from: string, to: string) =>
    moveChord(unwrap(parseChord(symbol)), unwrap(parseKey(from)), unwrap(parseKey(to)));

  it("moves root and bass alike and keeps the quality as written", () => {
    expect(move("E/G#", "A", "G")).toBe("D/F#");
    expect(move("F#m7", "A", "C")).toBe("Am7");
    expect(move("D", "A", "B")).toBe("E");
    expect(move("A/C#", "A", "B")).toBe("B/D#");
    expect(move("E6/9/B", "E", "C")).toBe("C6/9/G");
    expect(move("N.C.", "E", "C")).toBe("N.C.");
  });

  it("leaves a symbol as written between equal keys", () => {
    expect(move("B♭ma9", "F", "F")).toBe("B♭ma9");
    expect(move("Cb", "F", "F")).toBe("Cb");
  });
});

describe("guessKey", () => {
  const guess = (text: string) =>
    guessKey(text.split(" ").map((symbol) => ({ chord: chord(symbol), beats: 4 })));

  it("takes the key whose chords cover most beats, then the last chord, then the first", () => {
    expect(guess("G C D G")).toEqual({ key: unwrap(parseKey("G")), sure: true });
    expect(guess("Am F C G")?.key).toEqual(unwrap(parseKey("Am")));
    expect(guess("C G Am F")?.key).toEqual(unwrap(parseKey("C")));
    expect(guess("F G Am")?.key).toEqual(unwrap(parseKey("Am")));
    expect(guess("Am Dm E7 Am")?.key).toEqual(unwrap(parseKey("Am")));
    expect(guessKey([])).toBeNull();
  });
});

describe("coloured", () => {
  it("calls every colour by its name, the plain chord first", () => {
    expect(coloured(chord("C"), ["sus2", "add9"]).map((one) => one.symbol)).toEqual(["C", "Csus2", "Cadd9"]);
    expect(coloured(chord("Am/G"), ["7"]).map((one) => one.symbol)).toEqual(["Am/G", "Am7/G"]);
    expect(coloured(chord("C"), [])).toHaveLength(1);
  });
});
