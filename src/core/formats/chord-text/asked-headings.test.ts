import { describe, expect, it } from "vitest";
import { adjustSheet, readOptionsOf } from "../adjust";
import { describeSheetProblem } from "../describe-sheet-problem";
import { readChordText } from "./read-chord-text";

const labels = (text: string, options = {}) =>
  readChordText(text, options).sections.map(({ label, lines }) => `${label} ${lines.length}`);
const problems = (text: string, options = {}) =>
  readChordText(text, options).problems.map(({ code, line, text: about }) => `${line} ${code} ${about}`);

describe("a word alone over chords", () => {
  const text = "Morning\nA D E A\n\nLate Evening\nG C D G\nall is done";

  it("is a heading, and asked about", () => {
    expect(labels(text)).toEqual(["Morning 1", "Late Evening 1"]);
    expect(problems(text)).toEqual(["1 maybe-heading Morning", "4 maybe-heading Late Evening"]);
  });

  it("leaves gaps to part what has no sure heading", () => {
    expect(labels("G C\nlight on\n\nG D\nover the bay\n\nAmen\nG C\nso be it")).toEqual([
      "Part 1 1",
      "Part 2 1",
      "Amen 1",
    ]);
  });

  it("is sung where somebody says so", () => {
    expect(labels(text, { sung: [4] })).toEqual(["Morning 1", "Part 2 2"]);
    expect(problems(text, { sung: [1, 4] })).toEqual([]);
    const words = readChordText(text, { sung: [1, 4] }).sections.flatMap(({ lines }) =>
      lines.map((line) => line.words),
    );
    expect(words).toEqual(["Morning", "", "Late Evening", "all is done"]);
  });

  it.each([
    "[Verse]\nC G\nlight on\nMorning\nA D E A",
    "[Verse]\nG\none\n\nmorning has come again\nA D",
    "[Verse]\nG\none\n\nOh,\nA D",
    "[Verse]\nG\none\n\nAm\nA D",
    "[Verse]\nG\none\n\nMorning\n\nA D",
  ])("is none in %j", (sheet) => {
    expect(problems(sheet)).toEqual([]);
  });
});

describe("a heading without lines", () => {
  const text = "[Verse]\nG C\nlight on water\n\n[Solo]\n\n[Chorus]\nC | G |\nring it\n[Verse]\n";

  it("is asked about, and no section of no bars", () => {
    const sheet = readChordText(text);
    expect(labels(text)).toEqual(["Verse 1", "Chorus 1"]);
    expect(sheet.form.map(({ section }) => section)).toEqual([0, 1, 0]);
    expect(problems(text)).toEqual(["5 empty-heading Solo"]);
    expect(describeSheetProblem(sheet.problems[0]!)).toMatch(/^Line 5: “Solo” has no lines under it/u);
  });

  it("plays like a section somebody names: its chords and beats, unsung", () => {
    const adjustments = { playedLike: { "5": "Verse" } };
    const sheet = adjustSheet(readChordText(text, readOptionsOf(adjustments)), adjustments);
    expect(sheet.unlined).toEqual([]);
    expect(sheet.form.map(({ section }) => section)).toEqual([0, 1, 2, 0]);
    const [verse, solo] = sheet.sections;
    expect([solo!.label, solo!.kind, solo!.lines[0]!.words]).toEqual(["Solo", "solo", ""]);
    const beats = (one: typeof verse) =>
      one!.lines[0]!.chords.map(({ symbol, ticks }) => `${symbol} ${ticks}`);
    expect(beats(solo)).toEqual(beats(verse));
    expect(labels(text, { playedLike: { "5": "No such" } })).toEqual(["Verse 1", "Chorus 1"]);
  });

  it("keeps what stands beside it: tab keeps its section, a remark goes to the one before", () => {
    expect(labels("[Verse]\nG\na\n[Solo]\ne|--3--5--3--|\n")).toEqual(["Verse 1", "Solo 0"]);
    const sheet = readChordText("[Verse]\nG\na\n[Solo]\nKey: A\n");
    expect(sheet.sections).toHaveLength(1);
    expect(sheet.extras).toMatchObject([{ text: "Key: A", section: 0, line: 1 }]);
  });
});

describe("figures behind all chords", () => {
  const beats = (text: string, options = {}) =>
    readChordText(text, options)
      .sections.flatMap(({ lines }) => lines.flatMap(({ chords }) => chords))
      .map(({ symbol, ticks, guessed }) => `${symbol} ${ticks / 960}${guessed ? "?" : ""}`)
      .join(" ");

  it("are beats where they close the bars; the other reading is offered, and taken if asked for", () => {
    const text = "[Verse]\nA4 D4\nwalking home\nEm2 Am72 D4\nall alone";
    expect(beats(text)).toBe("A 4 D 4 Em 2 Am7 2 D 4");
    expect(problems(text)).toEqual(["2 figures-as-beats A4 D4"]);
    expect(beats("[A4]one [D4]two\n[E2]three [A2]four")).toBe("A 4 D 4 E 2 A 2");
    const chords = "[Verse]\nA4 D4\nwalking home\nE2 A2\nall alone";
    expect(beats(chords, { figures: false })).toMatch(/^A4 .*A2/u);
    expect(problems(chords, { figures: true })).toEqual([]);
  });

  it.each([
    // Twenty-eight beats, and yet a blues.
    "A7 D7 E7 A7\nlow",
    "A5 D5 E5 A5\nlow",
    "A6 D6 E6 A6\nlow",
    // They do not close.
    "A4 D4\nlow\nE2 A4\nhigh",
    // Brackets and words say so themselves: nothing is asked.
    "A7(4) D7(4)\nlow\nE7 for 4 A7 for 4",
    // One has none.
    "A4 D4\nlow\nE A4\nhigh",
    "A4 D4\nlow",
  ])("are parts of the names in %j", (text) => {
    expect(beats(`[Verse]\n${text}`)).toMatch(/^A\d /u);
    expect(problems(`[Verse]\n${text}`)).toEqual([]);
  });
});
