import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkBody } from "../../../document";
import { outlineOf, timelineOf } from "../../song/read";
import { DOCUMENTS } from "../../song/schema";
import { describeSheetProblem } from "../describe-sheet-problem";
import type { SheetLine } from "../sheet";
import { versionOfSheet } from "../to-version";
import { readChordLine } from "./chord-line";
import { readHeading } from "./heading";
import { readChordText } from "./read-chord-text";

const line = (text: string): SheetLine => readChordText(`[Verse]\n${text}`).sections[0]!.lines[0]!;
const lengths = (text: string) =>
  line(text).chords.map((chord) => `${chord.symbol} ${chord.ticks / 960}${chord.guessed ? "?" : ""}`);
const codes = (text: string) =>
  readChordText(text).problems.map((problem) => `${problem.code} ${problem.line}:${problem.column}`);

describe("readHeading", () => {
  it.each([
    ["[Verse 1]", "Verse 1", "verse", 1],
    ["Chorus:", "Chorus", "chorus", 1],
    ["CHORUS", "CHORUS", "chorus", 1],
    ["[Chorus] x2", "Chorus", "chorus", 2],
    ["Pre-Chorus (2x)", "Pre-Chorus", "pre-chorus", 2],
    ["[Harbour bell]", "Harbour bell", "other", 1],
    ["Bridge 2", "Bridge 2", "bridge", 1],
    ["Ending:", "Ending", "outro", 1],
  ])("reads %s", (text, label, kind, repeat) => expect(readHeading(text)).toEqual({ label, kind, repeat }));

  it.each(["[G]", "[F#m7]", "Light on the water", "Verses of the sea and the sky", "G:", "end"])(
    "does not take %s for one",
    (text) => expect(readHeading(text)).toBeNull(),
  );
});

describe("readChordLine", () => {
  it.each([
    "G",
    "G  D/F#  Em",
    "| G / / D |",
    "G . . . C . . .",
    "| G | % |",
    "N.C.",
    "(G)  C*",
    "Am  H7  G",
  ])("takes %j", (text) => expect(readChordLine(text)).not.toBeNull());
  it.each(["Go on", "A little light", "Am I the one", "Grace", "", "Do Re Mi", "H7"])(
    "leaves %j as words",
    (text) => expect(readChordLine(text)).toBeNull(),
  );
});

describe("readChordText", () => {
  it("sets each chord at its place in the words", () => {
    expect(line("G      D/F#\nLight  on the  water")).toEqual({
      words: "Light on the water",
      chords: [
        { symbol: "G", at: 0, ticks: 3840, guessed: true },
        { symbol: "D/F#", at: 6, ticks: 3840, guessed: true },
      ],
    });
    expect(line("   C\nlight").chords[0]!.at).toBe(0);
    expect(line("    C\nharbour").chords[0]!.at).toBe(3);
    expect(line("G            C\nlight").chords.map((chord) => chord.at)).toEqual([0, 5]);
    expect(line("[G]Light on [C]water")).toMatchObject({
      words: "Light on water",
      chords: [{ at: 0 }, { at: 9 }],
    });
  });

  it("gives beats: bars and signs exactly, the rest as guesses", () => {
    expect(lengths("| G / / D | C |")).toEqual(["G 3", "D 1", "C 4"]);
    expect(lengths("| G | % | C D |")).toEqual(["G 8", "C 2?", "D 2?"]);
    expect(lengths("G . . . . . A .")).toEqual(["G 6", "A 2"]);
    expect(lengths("| G | / / D / |")).toEqual(["G 6", "D 2"]);
    expect(lengths("G")).toEqual(["G 4?"]);
    expect(lengths("G C")).toEqual(["G 4?", "C 4?"]);
    expect(lengths("G C D")).toEqual(["G 4?", "C 4?", "D 8?"]);
    expect(line("| G C D |").chords.map((chord) => chord.ticks)).toEqual([1280, 1280, 1280]);
  });

  it("guesses whole bars where nothing is sung", () => {
    const waltz = readChordText("Time: 3/4\n[Verse]\nG C\n");
    expect(waltz.sections[0]!.lines[0]!.chords.map((chord) => chord.ticks / 960)).toEqual([3, 3]);
    const slow = readChordText("Time: 6/8\n[Verse]\nG C\n");
    expect(slow.sections[0]!.lines[0]!.chords.map((chord) => chord.ticks / 960)).toEqual([3, 3]);
  });

  it("finds title, key, tempo, metre and capo", () => {
    const sheet = readChordText(
      "Night Ferry\nby Someone\nKey: F#m\nTempo: 72 bpm\nTime: 6/8\nCapo: 2\n\n[Verse]\nEm  Am\n",
    );
    expect(sheet).toMatchObject({
      title: "Night Ferry",
      by: "Someone",
      key: "Em",
      keySure: true,
      shapes: true,
      tempo: 72,
      meter: { beats: 6, unit: 8 },
      capo: 2,
    });
    expect(readChordText("Title: A\nVerse:\nG C D G").title).toBe("A");
  });

  it("plays a section again when its heading stands alone or with the same content", () => {
    const sheet = readChordText("[Verse]\nG\none\n[Chorus]\nC\ntwo\n[Verse]\nG\none\n[Chorus] x2\n");
    expect(sheet.sections.map((section) => section.label)).toEqual(["Verse", "Chorus"]);
    expect(sheet.form.map((use) => [use.section, use.repeat])).toEqual([
      [0, 1],
      [1, 1],
      [0, 1],
      [1, 2],
    ]);
  });

  it("parts stanzas without headings at gaps", () => {
    expect(readChordText("G\none\n\nC\ntwo\n").sections.map((section) => section.label)).toEqual([
      "Part 1",
      "Part 2",
    ]);
  });

  it.each([
    ["", ["empty 1:1"]],
    [" \n\t\n", ["empty 1:1"]],
    ["just some words\nand more of them", ["no-chords 1:1"]],
    ["Key: G", ["no-chords 1:1"]],
    ["Tempo: 0\nG C D", ["bad-tempo 1:1"]],
    ["Time: 5/0\nG C D", ["bad-meter 1:1"]],
    ["Key: H\nG C D", ["bad-key 1:1"]],
    ["Key: Bbb\nG C D", ["bad-key 1:1"]],
    ["Capo: 40\nG C D", ["bad-capo 1:1"]],
    ["[V]\nG   Cq7   D", ["unreadable-chord 2:5"]],
    ["[V]\n|: G | C |\nD", ["open-repeat 2:1"]],
    ["[V]\nG C x99\nG D", ["too-many-repeats 2:5"]],
    ["[V]\n1 5 6m 4\n1 4 5 1", ["numbers-without-key 2:1", "no-chords 1:1"]],
  ])("says what is wrong in %j and where", (text, expected) => {
    expect(codes(text)).toEqual(expected);
    for (const problem of readChordText(text).problems) expect(describeSheetProblem(problem)).toMatch(/\.$/);
  });

  it("refuses an overlong text with a sentence", () => {
    const sheet = readChordText("G C D\n".repeat(1_000_000));
    expect(sheet.problems.map(describeSheetProblem)).toEqual([
      "This text has 6,000,000 characters; a song sheet may have 200,000. Paste one song at a time.",
    ]);
  });

  it("keeps an unreadable chord and plain lines", () => {
    const sheet = readChordText("[Verse]\nG   Cq7\nlight\njust words here");
    expect(sheet.sections[0]!.lines[0]!.chords.map((chord) => chord.symbol)).toEqual(["G", "Cq7"]);
    expect(sheet.sections[0]!.lines[1]).toEqual({ words: "just words here", chords: [] });
  });

  it("never throws, and what it reads makes a sound version (law)", () => {
    const piece = fc.constantFrom(
      "[Verse]",
      "Chorus:",
      "G  C",
      "| Am / F |",
      "[G]in[C]line",
      "some words",
      "x2",
      "\t",
      "",
      "Key: A",
      "Time: 3/4",
      "\u0000",
      "\uD800",
      "é̂",
      "|",
      "%",
      "C(2) . .",
      "]][[",
      "N.C.",
    );
    const texts = fc.oneof(
      fc.string({ maxLength: 300 }),
      fc
        .array(fc.oneof(piece, fc.string({ maxLength: 30 })), { maxLength: 30 })
        .map((lines) => lines.join("\n")),
    );
    fc.assert(
      fc.property(texts, (text) => {
        const sheet = readChordText(text);
        let count = 0;
        const body = versionOfSheet(sheet, { name: "Test", kind: "sheet" }, () => `id${count++}`);
        const checked = checkBody(DOCUMENTS.version, body);
        if (!checked.ok) throw new Error(JSON.stringify(checked.problem));
        timelineOf(body);
      }),
      { numRuns: 400 },
    );
  });

  it("drops no word of the text (law)", () => {
    const words = fc.array(fc.stringMatching(/^[a-z]{2,9}$/), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(fc.array(words, { minLength: 1, maxLength: 6 }), (lines) => {
        const text = `[Verse]\n${lines.map((line) => line.join(" ")).join("\n")}`;
        const body = versionOfSheet(
          readChordText(text),
          { name: "Test", kind: "sheet" },
          (
            (count) => () =>
              `id${count++}`
          )(0),
        );
        const kept = outlineOf(body)
          .sections.flatMap((section) => [section.section.label, ...section.lines.map((one) => one.text)])
          .join(" ")
          .toLowerCase();
        for (const word of lines.flat()) expect(kept).toContain(word);
      }),
    );
  });
});

describe("versionOfSheet", () => {
  it("keeps a chord inside a word only where a syllable can begin", () => {
    const places = (text: string) => {
      const body = versionOfSheet(
        readChordText(`[Verse]\n${text}`),
        { name: "Test", kind: "sheet" },
        (
          (count) => () =>
            `id${count++}`
        )(0),
      );
      return outlineOf(body).sections[0]!.lines[0]!.chords.map(({ at }) => at);
    };
    expect(places("G  C\nacross the bay")).toEqual([0, 1]);
    expect(places(" G   C\nRing it once")).toEqual([0, 5]);
    expect(places("G   C\nlight of day")).toEqual([0, 6]);
    expect(places("C  G\nHome")).toEqual([0, 4]);
    expect(places("G        C\nRing it once again")).toEqual([0, 8]);
    expect(places("G   D\nover the bay")).toEqual([0, 5]);
    expect(places("G  D\nLiebe ist das Licht")).toEqual([0, 3]);
    expect(places("G                C\nlight of day")).toEqual([0, 12]);
  });

  it("sounds higher by the capo the sheet names, its chords kept as written", () => {
    const body = versionOfSheet(
      readChordText("Capo: 3\n[Verse]\nD A Bm G D"),
      { name: "Test", kind: "sheet" },
      (
        (count) => () =>
          `id${count++}`
      )(0),
    );
    expect(Object.values(body.version)[0]).toMatchObject({ writtenKey: "D", key: "F" });
    expect(Object.values(body.chords).map((chord) => chord.symbol)).toEqual(["D", "A", "Bm", "G", "D"]);
  });
});
