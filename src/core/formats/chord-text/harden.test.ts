import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readChordPro } from "../chordpro";
import { readHeading } from "./heading";
import { emptyMeta, readHeadLine } from "./meta";
import { readChordText } from "./read-chord-text";
import { sheetText } from "./sheet-text";
import { splitHeading } from "./split-heading";

const symbols = (text: string) =>
  readChordText(text).sections.flatMap((section) =>
    section.lines.map((line) => line.chords.map((chord) => chord.symbol).join(" ")),
  );
const lengths = (text: string, options = {}) =>
  readChordText(`[Verse]\n${text}`, options).sections[0]!.lines.map((line) =>
    line.chords.map((chord) => `${chord.symbol} ${chord.ticks / 960}${chord.guessed ? "?" : ""}`).join(", "),
  );
const places = (text: string) =>
  readChordText(`[Verse]\n${text}`).sections[0]!.lines[0]!.chords.map((chord) => chord.at);

describe("places on screen", () => {
  it("a tab goes on to the next eighth column", () => {
    expect(sheetText("\tG").columns).toEqual([0, 8, 9]);
    expect(places("G\tC\nLight on water")).toEqual([0, 9]);
    expect(places("G       C\nLight\ton water")).toEqual([0, 6]);
  });

  it("East Asian signs are two columns wide, marks none", () => {
    expect(places("G   C\n灯台の光")).toEqual([0, 2]);
    expect(places("G\u3000\u3000C\nあいう")).toEqual([0, 2]);
    expect(sheetText("e\u0323x").columns).toEqual([0, 1, 1, 2]);
  });
});

describe("beats written in the line", () => {
  it.each([
    ["| G / / D |", ["G 3, D 1"]],
    ["G . . . C . . .", ["G 4, C 4"]],
    ["C(2) G(2) Am(4)", ["C 2, G 2, Am 4"]],
    ["G / / D", ["G 3, D 1"]],
    ["| G | % | %% |", ["G 12"]],
    ["| G | C |\n| % | D |", ["G 4, C 4", "C 4, D 4"]],
    ["|G|C|D|", ["G 4, C 4, D 4"]],
    ["G - D - Em - C", ["G 4?, D 4?, Em 4?, C 4?"]],
    ["G-D-Em", ["G 4?, D 4?, Em 8?"]],
    ["G, D, Em", ["G 4?, D 4?, Em 8?"]],
    ["A-7 D7", ["A-7 4?, D7 4?"]],
    ["G - - -", ["G 4"]],
    ["N.C.  G", ["N.C. 4?, G 4?"]],
  ])("%j", (text, expected) => expect(lengths(text)).toEqual(expected));

  it("takes the beats a person gives for the rest", () => {
    expect(lengths("G C D", { beatsPerChord: 2 })).toEqual(["G 2, C 2, D 2"]);
    expect(lengths("| G C |", { beatsPerChord: 1 })).toEqual(["G 2?, C 2?"]);
  });
});

describe("repeats", () => {
  it("plays lines again", () => {
    expect(lengths("| G | C | x3")).toEqual(["G 4, C 4", "G 4, C 4", "G 4, C 4"]);
    expect(lengths("|: G | C :|")).toEqual(["G 4, C 4", "G 4, C 4"]);
    expect(lengths("|: G | C |\n| D | G :| x3")).toHaveLength(6);
    const sung = readChordText("[Verse]\nG    C\nLight on water (x2)").sections[0]!.lines;
    expect(sung.map((line) => line.words)).toEqual(["Light on water", "Light on water"]);
  });
});

describe("naming, by the whole sheet", () => {
  it("syllables", () => {
    const sheet = readChordText(
      "[Couplet]\nDo     Sol  Lam\nLumière sur l'eau\nFa  Sib Fa dièse m\nla la la",
    );
    expect(sheet.naming).toBe("syllables");
    expect(sheet.sections[0]!.lines.map((line) => line.chords.map((chord) => chord.symbol))).toEqual([
      ["C", "G", "Am"],
      ["F", "Bb", "F#m"],
    ]);
    expect(symbols("[Verso]\n[Do]Luz [Sol]clara [Lam]del [Fa]mar")).toEqual(["C G Am F"]);
  });

  it("no single word makes a sheet one of syllables", () => {
    const sheet = readChordText("[Verse]\nG   C\nSol\nD   G\nMi La\nRe Do");
    expect(sheet.naming).toBe("letters");
    expect(sheet.sections[0]!.lines.map((line) => line.words)).toEqual(["Sol", "Mi La", "Re Do"]);
  });

  it("H and B", () => {
    const sheet = readChordText("Tonart: Em\n[Strophe]\nEm  H7  C\nLicht\nB   F  Hm");
    expect(sheet.naming).toBe("german");
    expect(symbols("[Strophe]\nEm  H7  C\nLicht\nB   F  Hm")).toEqual(["Em B7 C", "Bb F Bm"]);
    expect(symbols("[Strophe]\nFis  H  E\nCism A")).toEqual(["F# B E", "C#m A"]);
  });

  it("one H beside many Bs stays as it is written, with an offer", () => {
    const sheet = readChordText("[Verse]\nB  E  B  H7\nB  F#  B  E");
    expect(sheet.naming).toBe("letters");
    expect(sheet.problems).toMatchObject([{ code: "unreadable-chord", text: "H7", suggestions: ["B7"] }]);
  });

  it("numbers, when a key is given", () => {
    const text = "[Verse]\n1  5/7  6m  4\nLight on the water\n1 / 4 / 5 / 1 /";
    const sheet = readChordText(`Key: G\n${text}`);
    expect(sheet.naming).toBe("degrees");
    expect(sheet.sections[0]!.lines.map((line) => line.chords.map((chord) => chord.symbol))).toEqual([
      ["G", "D/F#", "Em", "C"],
      ["G", "C", "D", "G"],
    ]);
    expect(symbols(text)).toEqual(["", "", ""].slice(0, symbols(text).length));
    expect(
      readChordText(text, { key: "A" }).sections[0]!.lines[0]!.chords.map((chord) => chord.symbol),
    ).toEqual(["A", "E/G#", "F#m", "D"]);
  });
});

describe("headings in other languages", () => {
  it.each([
    ["Strophe 1", "verse"],
    ["Couplet 2", "verse"],
    ["Refrain", "chorus"],
    ["Refrão", "chorus"],
    ["ESTRIBILLO", "chorus"],
    ["Pré-refrain", "pre-chorus"],
    ["Puente", "bridge"],
    ["Zwischenspiel", "instrumental"],
    ["Zwrotka 1", "verse"],
    ["Припев", "chorus"],
    ["Säkeistö 2", "verse"],
    ["Chorus (softly)", "chorus"],
    ["Verse 2 - quiet", "verse"],
    ["Verse 1:", "verse"],
    ["[Fin]", "outro"],
    ["2.", "verse"],
    ["[Windlass]", "other"],
  ])("%s is a %s", (text, kind) => expect(readHeading(text)?.kind).toBe(kind));

  it.each(["Fin", "Final light on the water", "Coro de las olas", "Verse and chorus alike", "3 boats"])(
    "%s is sung",
    (text) => expect(readHeading(text)).toBeNull(),
  );
});

describe("fields in other languages", () => {
  it("are read", () => {
    expect(
      readChordText(
        "Titre : Le phare\nTonalité : La mineur\nTempo : ♩ = 72\nMesure : 3/4\nCapodastre : 2\n\n[A]\nG C",
      ),
    ).toMatchObject({
      title: "Le phare",
      key: "Am",
      tempo: 72,
      beatUnit: "1/4",
      meter: { beats: 3 },
      capo: 2,
    });
  });
});

describe("tab in a sheet", () => {
  it.each(["B|-3-2-0-|-3-2-0-|", "e|--------|", "G |--2h4p2--|", "D:-0-0-2-:", "|-3-|-5-|", "F#|-2-----|"])(
    "%s is tab",
    (line) => expect(readChordText(`[Riff]\n${line}`).extras).toMatchObject([{ kind: "tab", text: line }]),
  );
  it.each(["| G - - - |", "A - D - A", "| % | % |", "x -- x", "well - well - well"])("%s is none", (line) =>
    expect(readChordText(`[Riff]\nG\n${line}`).extras).toEqual([]),
  );

  it("is kept as it stands and named", () => {
    const sheet = readChordText("[Riff]\nE|--0--2--|\nB|--1--3--|\n[Verse]\nG C\nlight");
    expect(sheet.extras).toEqual([{ kind: "tab", text: "E|--0--2--|\nB|--1--3--|", section: 0, line: 0 }]);
    expect(sheet.losses).toMatchObject([{ line: 2, what: "tab", kept: true }]);
  });
});

describe("a heading that shares its line", () => {
  const parts = (text: string) => splitHeading(sheetText(text)).map((line) => line.text);
  it.each([
    ["Intro: G - D", ["[Intro]", "       G - D"]],
    ["[Intro] G D", ["[Intro]", "        G D"]],
    ["Intro  G D", ["[Intro]", "       G D"]],
    ["Verse 2:  | G | C |", ["[Verse 2]", "          | G | C |"]],
    ["Chorus: Ring out the bell", ["[Chorus]", "        Ring out the bell"]],
    ["Outro (slow): G", ["[Outro (slow)]", "              G"]],
    ["[softly] G C", ["[softly]", "         G C"]],
    ["Verse 1: (softly)", ["Verse 1 (softly)"]],
    ["[Chorus] x2", ["[Chorus] x2"]],
    ["[Chorus]", ["[Chorus]"]],
    ["[G]Light on", ["[G]Light on"]],
    ["Key: G", ["Key: G"]],
    ["Tag: slow, low", ["Tag: slow, low"]],
    ["Somebody said: go", ["Somebody said: go"]],
    ["Verse A", ["Verse A"]],
    ["Solo A light", ["Solo A light"]],
  ])("%j", (text, expected) => expect(parts(text)).toEqual(expected));

  it("keeps chords over the words below", () => {
    const sheet = readChordText("Verse: G    C\n       Light on");
    expect(sheet.sections[0]).toMatchObject({ label: "Verse", kind: "verse" });
    expect(sheet.sections[0]!.lines[0]!.chords.map((chord) => chord.at)).toEqual([0, 6]);
  });
});

describe("sections that are named again", () => {
  it.each(["[Chorus]", "Chorus", "(Chorus)", "Repeat chorus", "(repeat the chorus)", "Back to Chorus"])(
    "%s plays it again",
    (text) => {
      const sheet = readChordText(`[Chorus]\nG\nring\n\n[Verse]\nC\nlight\n\n${text}\n`);
      expect(sheet.form.map((use) => use.section)).toEqual([0, 1, 0]);
    },
  );

  it("a chorus by another name is the only chorus there is", () => {
    const sheet = readChordText("[Chorus 1]\nG\nring\n[Verse]\nC\nlight\n[Chorus]\n[Verse 2]\n");
    expect(sheet.form.map((use) => [use.section, use.label])).toEqual([
      [0, null],
      [1, null],
      [0, "Chorus"],
    ]);
    expect(sheet.unlined).toEqual([{ label: "Verse 2", kind: "verse", line: 8 }]);
  });
});

describe("the head of a sheet", () => {
  it("title, who by, fields side by side and bare; other lines are notes", () => {
    const sheet = readChordText(
      "Bell Rope\nThe Made-up Five\nKey: G | Capo 2 | 84 bpm\n3/4\nFor two guitars\nTuning: low\n\n[Verse]\nG  C\nlight\n",
    );
    expect(sheet).toMatchObject({
      title: "Bell Rope",
      by: "The Made-up Five",
      key: "G",
      capo: 2,
      tempo: 84,
      meter: { beats: 3, unit: 4 },
    });
    expect(sheet.sections).toHaveLength(1);
    expect(sheet.extras.map((extra) => extra.text)).toEqual(["For two guitars", "Tuning: low"]);
    expect(sheet.losses.map((loss) => [loss.line, loss.kept])).toEqual([
      [5, true],
      [6, true],
    ]);
  });

  it("a field said twice keeps the first; one in the middle is a note", () => {
    const sheet = readChordText("Key: G\nKey: A\n\n[Verse]\nG  C\nlight\nCapo: 4\nD\nmore");
    expect(sheet).toMatchObject({ key: "G", capo: 0 });
    expect(sheet.losses.map((loss) => `${loss.line} ${loss.text}`)).toEqual(["2 Key: A", "7 Capo: 4"]);
  });

  it.each([
    ["Capo 3", { capo: 3 }],
    ["(Capo 3rd fret)", { capo: 3 }],
    ["Capo fret 2", { capo: 2 }],
    ["Key of Bb", { key: "Bb" }],
    ["♩ = 92", { tempo: 92, beatUnit: "1/4" }],
    ["♩. = 60", { tempo: 60, beatUnit: "1/4." }],
    ["120 bpm", { tempo: 120 }],
    ["6/8", { meter: { beats: 6, unit: 8 } }],
    ["Key: D, Tempo: 70", { key: "D", tempo: 70 }],
    ["Key: D Tempo: 70", { key: "D", tempo: 70 }],
  ])("%j", (line, expected) => {
    const meta = emptyMeta();
    expect(readHeadLine(line, meta)).toEqual([]);
    expect(meta).toMatchObject(expected);
  });

  it.each(["Capo 40", "Key largo at night", "92 boats", "7/9", "Time after time"])("%j is no field", (line) =>
    expect(readHeadLine(line, emptyMeta())).toBe(false),
  );
});

describe("signs about chords", () => {
  it("words in brackets among chords are a note", () => {
    const sheet = readChordText("[Verse]\nG  D  (softly now)\nlight on");
    expect(sheet.sections[0]!.lines[0]!.chords.map((chord) => chord.symbol)).toEqual(["G", "D"]);
    expect(sheet.extras).toMatchObject([{ kind: "comment", text: "(softly now)" }]);
    expect(sheet.losses).toMatchObject([{ line: 2, what: "a remark", kept: true }]);
  });

  it("a question mark makes a chord unsure", () => {
    const chords = readChordText("[Verse]\nG?  Am7\nlight\n[C?]on").sections[0]!.lines.flatMap((line) =>
      line.chords.map((chord) => [chord.symbol, chord.unsure]),
    );
    expect(chords).toEqual([
      ["G", true],
      ["Am7", undefined],
      ["C", true],
    ]);
  });

  it("bar lines among words with chords in brackets give the beats", () => {
    const { lines } = readChordText("[Verse]\n| [G]Light on | [C]water [D]here |").sections[0]!;
    expect(lines[0]!.words).toBe("Light on water here");
    expect(lines[0]!.chords.map(({ symbol, ticks, at }) => [symbol, ticks / 960, at])).toEqual([
      ["G", 4, 0],
      ["C", 2, 9],
      ["D", 2, 15],
    ]);
  });

  it("between bar lines a strange word is an unreadable chord, words alone are sung", () => {
    const sheet = readChordText("[Verse]\n| G | wibble | D | C |\n| light on | water |");
    expect(sheet.problems).toMatchObject([{ code: "unreadable-chord", line: 2, column: 7, text: "wibble" }]);
    expect(sheet.sections[0]!.lines.map((line) => line.words)).toEqual(["| light on | water |"]);
  });
});

describe("small words in a sheet written with H", () => {
  it("are sung", () => {
    const sheet = readChordText("[Strophe]\nG   H7  Em  H7\nLicht\nC  D\nhi\nG  C\ndes");
    expect(sheet.naming).toBe("german");
    expect(sheet.sections[0]!.lines.map((line) => line.words)).toEqual(["Licht", "hi", "des"]);
  });

  it("one H alone is a slip, with an offer", () => {
    const sheet = readChordText("[Verse]\nG  D  Hm\nlight");
    expect(sheet.naming).toBe("letters");
    expect(sheet.problems).toMatchObject([{ code: "unreadable-chord", text: "Hm", suggestions: ["Bm"] }]);
  });
});

describe("what reading costs (law)", () => {
  const pieces = fc.constantFrom(
    ...["G C D", "light on", "[Verse]", "[", "(((", "| | |", "x32", "Key: A", "{c: x}", "{soc}", "{chorus}"],
    ...[
      "|: G :| x32",
      "Do Sol Lam",
      "H7 Em H7",
      "1 4 5",
      "e|--0--|",
      "",
      "Intro: G D",
      "(abcd (abcd",
      "::::",
    ],
  );
  it.each([
    ["chords over words", readChordText],
    ["ChordPro", readChordPro],
  ])("%s: at most 16 looks a line, whatever the lines", (_name, read) => {
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 12 }), fc.integer({ min: 1, max: 40 }), (lines, times) => {
        let steps = 0;
        const text = Array.from({ length: times }, () => lines.join("\n")).join("\n");
        read(text, { key: "G", onStep: () => steps++ });
        expect(steps).toBeLessThanOrEqual(16 * text.split("\n").length);
      }),
      { numRuns: 200 },
    );
  });
});

describe("nothing is dropped (law)", () => {
  const lines = fc.constantFrom(
    "Bell Rope",
    "Key: G",
    "Key: Bm",
    "Capo 3",
    "Tempo: slow",
    "for two guitars",
    "[Verse 1]",
    "Chorus:",
    "Intro: G - D",
    "[Windlass] x2",
    "G   D/F#  Em",
    "| G / / D | Cq7 |",
    "|: Am | F :| x3",
    "G? Hm Zork",
    "[G]Light on [Zz]water",
    "light on the bay x2",
    "wide harbour",
    "C  (hold it there)",
    "e|--0--2--|",
    "Repeat chorus",
    "Capo: 5",
    "",
  );
  /** Signs that are read into beats and repeats. */
  const SIGN = /^(?:[|:/.%-]+|[x×]\d+|\|:|:\|)$/u;

  it("every word of a text stands in what was read, or in a problem or a loss", () => {
    fc.assert(
      fc.property(fc.array(lines, { minLength: 1, maxLength: 16 }), (texts) => {
        const sheet = readChordText(texts.join("\n"));
        const heap = JSON.stringify([sheet, sheet.sections.map((section) => section.kind)]).toLowerCase();
        const missing = texts
          .flatMap((text) => text.split(/[\s[\](){}]+/u))
          .map((word) => word.replace(/[:?,]$/u, "").toLowerCase())
          .filter((word) => word !== "" && !SIGN.test(word) && !READ_AS.has(word) && !heap.includes(word));
        expect(missing).toEqual([]);
      }),
      { numRuns: 600 },
    );
  });
  /** The names of fields, and what only says that a section comes again. */
  const READ_AS = new Set(["key", "capo", "tempo", "repeat"]);
});
