import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkBody } from "../../../document";
import { timelineOf } from "../../song/read";
import { DOCUMENTS } from "../../song/schema";
import { describeSheetLoss, describeSheetProblem } from "../describe-sheet-problem";
import { roundTrip } from "../round-trip";
import { versionOfSheet } from "../to-version";
import { isChordPro, readChordPro, splitSongs, writeChordPro } from ".";
import { readDefine, writeDefine } from "./define";

const CODEC = { read: readChordPro, write: writeChordPro };
const holds = (text: string) => {
  const { first, second, written, again } = roundTrip(CODEC, text);
  expect(second).toEqual(first);
  expect(again).toBe(written);
  return written;
};

/** A file in our own way of writing: it comes back letter for letter. */
const CANONICAL = `{title: Harbour Bell}
{artist: The Net Loft Band}
{composer: Someone Made Up}
{copyright: 2026, nobody}
{key: G}
{capo: 2}
{tempo: 72}
{time: 6/8}
{tag: evening}
{tag: slow}
# for people who read the file
{subtitle: a song of the bay}
{define: G base-fret 1 frets 3 2 0 0 0 3}
{unheard_of: stays as it is}

{start_of_intro: Intro}
{x_beats: 4 4}
[G] [C]
{end_of_intro}

{start_of_verse: Verse 1}
{x_pickup: 0.5}
{comment: softly}
[G]Light on the [Em7]water, [C]light
{x_beats: 2 2 4?}
a[D/F#]gain, and [G]home [Am]
{end_of_verse}

{start_of_chorus: Chorus}
{x_repeat: 2}
[C]Ring [G]out
{end_of_chorus}

{start_of_tab}
e|--0--2--|
{end_of_tab}

{start_of_grid: Middle}
| Em . | C D |
{end_of_grid}

{transpose: 2}
{chorus: Last chorus}
`;

describe("ChordPro", () => {
  it("reads fields, sections, chords and their places", () => {
    const sheet = readChordPro(CANONICAL);
    expect(sheet).toMatchObject({
      title: "Harbour Bell",
      by: "The Net Loft Band",
      composer: "Someone Made Up",
      copyright: "2026, nobody",
      key: "G",
      keySure: true,
      capo: 2,
      tempo: 72,
      meter: { beats: 6, unit: 8 },
      tags: ["evening", "slow"],
      problems: [],
    });
    expect(sheet.sections.map((section) => [section.label, section.kind, section.lines.length])).toEqual([
      ["Intro", "intro", 1],
      ["Verse 1", "verse", 2],
      ["Chorus", "chorus", 1],
      ["Middle", "instrumental", 1],
    ]);
    const [, verse, , grid] = sheet.sections;
    expect(verse!.lines[0]).toEqual({
      words: "Light on the water, light",
      chords: [
        { symbol: "G", at: 0, ticks: 2880, guessed: true },
        { symbol: "Em7", at: 13, ticks: 2880, guessed: true },
        { symbol: "C", at: 20, ticks: 5760, guessed: true },
      ],
    });
    expect(verse!.lines[1]!.chords).toEqual([
      { symbol: "D/F#", at: 1, ticks: 2880, guessed: false },
      { symbol: "G", at: 11, ticks: 2880, guessed: false },
      { symbol: "Am", at: 15, ticks: 5760, guessed: true },
    ]);
    expect(verse!.pickup).toBe(720);
    expect(grid!.lines[0]!.chords.map((chord) => [chord.symbol, chord.ticks])).toEqual([
      ["Em", 2880],
      ["C", 1440],
      ["D", 1440],
    ]);
    expect(sheet.form.map((use) => [use.section, use.repeat, use.shift, use.label])).toEqual([
      [0, 1, 0, null],
      [1, 1, 0, null],
      [2, 2, 0, null],
      [3, 1, 0, null],
      [2, 1, 2, "Last chorus"],
    ]);
    expect(sheet.fingerings).toEqual([{ symbol: "G", frets: [3, 2, 0, 0, 0, 3] }]);
    expect(sheet.losses.map((loss) => loss.what)).toEqual([
      "remark",
      "directive {subtitle}",
      "shape",
      "directive {unheard_of}",
      "comment",
      "tab",
    ]);
    for (const loss of sheet.losses) expect(describeSheetLoss(loss)).toMatch(/^Line \d+: .* is kept/);
  });

  it("writes it back letter for letter, but for the tab, which moves into its section", () => {
    const written = holds(CANONICAL);
    const tab = "{start_of_tab}\ne|--0--2--|\n{end_of_tab}\n";
    const moved = CANONICAL.replace(`${tab}\n`, "").replace("{end_of_chorus}\n", `${tab}{end_of_chorus}\n`);
    expect(written).toBe(moved);
  });

  it("says what other programs will not see", () => {
    expect(writeChordPro(readChordPro(CANONICAL)).losses.map((loss) => loss.what)).toEqual([
      "the beats of chords",
      "a pickup",
      "a section played more than once in a row",
    ]);
  });

  it.each([
    ["short names", "{t:A}\n{st:B}\n{soc}\n[G]a\n{eoc}\n{c:quiet}\n{chorus}"],
    ["a comment as a heading", "{title: A}\n\n{c: Verse 1}\n[G]a\n\n{c: Chorus}\n[C]b"],
    ["no environments", "[G]one\n[C]two\n\n[D]three"],
    [
      "change of metre and tempo",
      "{time: 4/4}\n{tempo: 90}\n{sov}\n[G]a\n{eov}\n{time: 3/4}\n{tempo: 60}\n{sov: B}\n[G]a\n{eov}\n{time: 4/4}\n{tempo: 90}\n{sov: C}\n[D]x\n{eov}",
    ],
    ["change within a section", "{sov}\n[G]a\n{time: 3/4}\n[D]b\n{eov}"],
    [
      "transposed from the start",
      "{key: D}\n{transpose: -2}\n{sov}\n[D]a\n{eov}\n{transpose: 0}\n{soc}\n[G]b\n{eoc}",
    ],
    ["syllables", "{sov}\n[Do]a [Sol]b [Lam]c\n{eov}"],
    ["meta", "{meta: artist Someone}\n{meta: odd thing}\n{sov}\n[G]a\n{eov}"],
    ["a remark at a word", "{sov}\n[G]a [*softly] b\n{eov}"],
    ["bars outside a grid", "{sov}\n| G / / D | C |\nwords\n{eov}"],
    ["labels with signs", '{sov: label="a=b"}\n[G]a\n{eov}\n{soc: label=\'x "y"\'}\n[C]b\n{eoc}'],
    [
      "other environments",
      "{start_of_abc}\nX:1\n{not a directive\n{end_of_abc}\n{start_of_windlass}\n[G]a\n{end_of_windlass}",
    ],
  ])("%s: read, written and read again it is the same", (_name, text) => {
    holds(text);
  });

  it.each([
    ["{sov}\n[G]a", ["open-section 1"]],
    ["{sov}\n[G]a\n{soc}\n[C]b\n{eoc}", ["open-section 1"]],
    ["{title: A\n[G]a", ["bad-directive 1"]],
    ["{eoc}\n[G]a", ["bad-directive 1"]],
    ["{chorus}\n[G]a", ["bad-directive 1"]],
    ["{tempo: fast}\n[G]a", ["bad-tempo 1"]],
    ["{sov}\n{x_beats: 1 2}\n[G]a\n{eov}", ["bad-beats 2"]],
    ["{sov}\n[Gq7]a [C]b\n{eov}", ["unreadable-chord 2"]],
    ["{define: ? frets}\n[G]a", ["bad-directive 1"]],
    ["{title: only}", ["no-chords 1"]],
  ])("says what is wrong in %j", (text, expected) => {
    const { problems } = readChordPro(text);
    expect(problems.map((problem) => `${problem.code} ${problem.line}`)).toEqual(expected);
    for (const problem of problems) expect(describeSheetProblem(problem)).toMatch(/\.$/);
  });

  it("chords over words inside, headings in the text, comments that name a section", () => {
    const sheet = readChordPro(
      "{t: A}\n{c: Verse 1}\nG     C\nlight on\nChorus:\n[C]ring\n{c: Verse 1}\n{c: softly}\n",
    );
    expect(sheet.sections.map((section) => [section.label, section.kind])).toEqual([
      ["Verse 1", "verse"],
      ["Chorus", "chorus"],
    ]);
    expect(sheet.sections[0]!.lines).toMatchObject([
      {
        words: "light on",
        chords: [
          { symbol: "G", at: 0 },
          { symbol: "C", at: 6 },
        ],
      },
    ]);
    expect(sheet.form.map((use) => use.section)).toEqual([0, 1, 0]);
    expect(sheet.extras.map((extra) => extra.text)).toEqual(["{c: softly}"]);
  });

  it("bar lines among words, and repeats in a grid", () => {
    const sheet = readChordPro("{sov}\n| [G]a | [C]b [D]c |\n{eov}\n{sog}\n|| G . . . | C . / . :|\n{eog}");
    expect(sheet.sections[0]!.lines[0]).toMatchObject({
      words: "a b c",
      chords: [{ ticks: 3840 }, { ticks: 1920 }, { ticks: 1920 }],
    });
    expect(sheet.sections[1]!.lines.map((line) => line.chords.map((chord) => chord.ticks))).toEqual([
      [3840, 3840],
      [3840, 3840],
    ]);
  });

  it("a field said twice keeps the first, an artist comes before a subtitle", () => {
    const sheet = readChordPro("{st: of the bay}\n{artist: Five}\n{key: G}\n{meta: key D}\n[G]a");
    expect(sheet).toMatchObject({ by: "Five", key: "G" });
    expect(sheet.losses.map((loss) => loss.line)).toEqual([1, 4]);
    expect(readChordPro("{st: of the bay}\n[G]a").by).toBe("of the bay");
  });

  it("several songs in one file are cut apart; alone, the first is read and the next one named", () => {
    const text = "{t: A}\n[G]a\n{new_song}\n{t: B}\n[C]b\n{ns}\n{t: C}\n[D]c\n";
    expect(splitSongs(text).map((song) => readChordPro(song).title)).toEqual(["A", "B", "C"]);
    expect(readChordPro(text).problems).toMatchObject([{ code: "another-song", line: 3 }]);
    expect(splitSongs("{t: A}\n[G]a")).toHaveLength(1);
  });

  it("unsure chords are marked in a directive of ours", () => {
    const sheet = readChordPro("{sov}\n[G?]a [C]b\n{eov}");
    expect(sheet.sections[0]!.lines[0]!.chords.map((chord) => chord.unsure)).toEqual([true, undefined]);
    const written = writeChordPro(sheet);
    expect(written.text).toContain("{x_unsure: 1}\n[G]a [C]b");
    expect(written.losses.map((loss) => loss.what)).toContain("which chords are not sure");
  });

  it("is told from other sheets", () => {
    expect(isChordPro("{title: A}")).toBe(true);
    expect(isChordPro("{soc}\n[G]a")).toBe(true);
    expect(isChordPro("[Verse]\nG C\nlight")).toBe(false);
    expect(isChordPro("{Chorus}\nG C\nlight")).toBe(false);
  });

  const pieces = fc.constantFrom(
    "{title: A}",
    "{sov: Verse}",
    "{eov}",
    "{soc}",
    "{eoc}",
    "{chorus}",
    "{chorus: Last}",
    "{sot}",
    "{eot}",
    "{sog}",
    "{eog}",
    "{c: Verse 2}",
    "{c: softly}",
    "{transpose: 3}",
    "{time: 3/4}",
    "{tempo: 99}",
    "{x_beats: 1 2?}",
    "{x_repeat: 2}",
    "{x_pickup: 1}",
    "{define: G frets 3 2 0 0 0 3}",
    "{odd: thing}",
    "{broken",
    "# remark",
    "",
    "[G]a [C]b",
    "[G] [C]",
    "| G . C . |",
    "words only",
    "[*note] x",
    "[H7]a",
    "[Chorus] x2",
    "[G?]a | [C]b |",
    "| G . :| x2",
    "G   C",
    "Verse 2:",
    "{x_unsure: 1}",
    "{new_song}",
    "[G](hold)",
  );

  it("never throws, keeps its law, and makes sound versions (law)", () => {
    const texts = fc.array(fc.oneof({ weight: 6, arbitrary: pieces }, fc.string({ maxLength: 24 })), {
      maxLength: 24,
    });
    fc.assert(
      fc.property(texts, (lines) => {
        const text = lines.join("\n");
        const { first, second, written } = roundTrip(CODEC, text);
        if (text.trim() !== "" && written.trim() !== "") expect(second).toEqual(first);
        let count = 0;
        const body = versionOfSheet(readChordPro(text), { name: "T", kind: "file" }, () => `id${count++}`);
        const checked = checkBody(DOCUMENTS.version, body);
        if (!checked.ok) throw new Error(JSON.stringify(checked.problem));
        timelineOf(body);
      }),
      { numRuns: 800 },
    );
  });
});

describe("readDefine", () => {
  it.each([
    ["G base-fret 1 frets 3 2 0 0 0 3", [3, 2, 0, 0, 0, 3]],
    ["Bm base-fret 2 frets x 1 3 3 2 1 fingers 0 1 3 4 2 1", [null, 2, 4, 4, 3, 2]],
    ["D frets -1 -1 0 2 3 2", [null, null, 0, 2, 3, 2]],
    ["[A] base-fret 1 frets N 0 2 2 2 0", [null, 0, 2, 2, 2, 0]],
  ])("%s", (text, frets) => expect(readDefine(text)?.frets).toEqual(frets));
  it("reads what was written (law)", () => {
    const fret = fc.option(fc.nat(12));
    fc.assert(
      fc.property(fc.array(fret, { minLength: 3, maxLength: 8 }), (frets) => {
        const shape = { symbol: "F#m7", frets };
        const text = writeDefine(shape).replace(/^\{define: (.*)\}$/u, "$1");
        expect(readDefine(text)).toEqual(shape);
      }),
    );
    expect(writeDefine({ symbol: "Bm", frets: [null, 2, 4, 4, 3, 2] })).toBe(
      "{define: Bm base-fret 1 frets x 2 4 4 3 2}",
    );
    expect(writeDefine({ symbol: "C", frets: [8, 10, 10, 9, 8, 8] })).toBe(
      "{define: C base-fret 8 frets 1 3 3 2 1 1}",
    );
  });
  it.each(["", "G", "G base-fret 1", "G frets 99", "? frets 1 2 3"])("%j is none", (text) =>
    expect(readDefine(text)).toBeNull(),
  );
});
