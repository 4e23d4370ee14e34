import { describe, expect, it } from "vitest";
import { readHeading } from "./heading";
import { readChordText } from "./read";
import { sheetText } from "./sheet-text";

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
    ["G-D-Em", ["G 4?, D 4?, Em 4?"]],
    ["G, D, Em", ["G 4?, D 4?, Em 4?"]],
    ["A-7 D7", ["A-7 2?, D7 2?"]],
    ["G - - -", ["G 4"]],
    ["N.C.  G", ["N.C. 2?, G 2?"]],
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
  it("is kept as it stands and named", () => {
    const sheet = readChordText("[Riff]\nE|--0--2--|\nB|--1--3--|\n[Verse]\nG C\nlight");
    expect(sheet.extras).toEqual([{ kind: "tab", text: "E|--0--2--|\nB|--1--3--|", section: 0, line: 0 }]);
    expect(sheet.losses).toMatchObject([{ line: 2, what: "tab", kept: true }]);
  });
});
