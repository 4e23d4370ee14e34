import { describe, expect, it } from "vitest";
import { describeSheetLoss, describeSheetProblem } from "./describe-sheet-problem";
import { readSheet } from "./read-sheet";
import type { ChordSheet } from "./sheet";

/** Looks at lines a reader may take for each line of a text, whatever stands in it. */
const STEPS_A_LINE = 16;

function read(text: string): ChordSheet & { readonly steps: number } {
  let steps = 0;
  const sheet = readSheet(text, { onStep: () => steps++ });
  return { ...sheet, steps };
}

const saidOf = (sheet: ChordSheet) => [
  ...sheet.problems.map(describeSheetProblem),
  ...sheet.losses.map(describeSheetLoss),
];

/** Every word of a text stands in the song, in a note, or in what is said of it. */
function lost(text: string, sheet: ChordSheet): string[] {
  const kept = JSON.stringify([
    sheet.title,
    sheet.by,
    sheet.sections.map(({ label, lines }) => [
      label,
      lines.map(({ words, chords }) => [words, chords.map(({ symbol }) => symbol)]),
    ]),
    sheet.unlined,
    sheet.extras,
    saidOf(sheet),
  ]);
  return [...text.matchAll(/\p{L}{4,}/gu)].flatMap(([word]) => (kept.includes(word) ? [] : [word]));
}

describe("bad input", () => {
  it.each([
    ["five megabytes", "G C D Em\nlight on the water\n".repeat(180_000), "too-long"],
    ["a line of 200 kB of chords", "G C D Em ".repeat(22_000), "crowded-line"],
    ["nothing but gaps", " \n\t\n", "empty"],
  ])("%s is refused with a sentence, and nothing is made of it", (_name, text, code) => {
    const sheet = read(text);
    expect(sheet.problems.map((problem) => problem.code)).toEqual([code]);
    expect(saidOf(sheet)[0]).toMatch(/\.$/u);
    expect(sheet.sections).toEqual([]);
  });

  it("a line of 200 kB of words is kept, cut where there are spaces", () => {
    const text = "light on the water ".repeat(10_500).trim();
    const sheet = read(text);
    expect(lost(text, sheet)).toEqual([]);
    expect(
      sheet.sections
        .flatMap(({ lines }) => lines)
        .map(({ words }) => words)
        .join(" ").length,
    ).toBe(text.length);
  });

  it("languages mixed in one sheet are each read, and nothing is lost", () => {
    const text = `Titel: Hafenlicht
Tonart: G-Dur
Capo na 2ª casa

Primeira parte
G       D
Noite no porto

Dernier refrain
C        G
Une lampe encore

Strophe 2 (leise)
Em      Hm7
Licht auf dem Wasser

Куплет
G     D
Свет на воде`;
    const sheet = read(text);
    expect(lost(text, sheet).filter((word) => !["Titel", "Tonart", "Capo", "casa"].includes(word))).toEqual(
      [],
    );
    expect(sheet.sections.map(({ kind }) => kind)).toEqual(["verse", "chorus", "verse", "verse"]);
    expect(sheet.title).toBe("Hafenlicht");
    expect(saidOf(sheet).every((said) => /\.$/u.test(said))).toBe(true);
  });

  it("keys and capos that contradict each other are said, with line and column", () => {
    const sheet = read(
      "Key: G\nKey: A\nCapo: 3\nCapo: 14\nTempo: fast\nTime: 4/5\n\n[Verse]\nG C D G\nlight on the water\n",
    );
    expect(sheet.problems.map(({ code, line, column }) => `${code} ${line}:${column}`)).toEqual([
      "bad-capo 4:1",
      "bad-tempo 5:1",
      "bad-meter 6:1",
    ]);
    expect(sheet.losses.map(({ line }) => line)).toEqual([2]);
    expect(sheet).toMatchObject({ key: "G", capo: 3, shapes: false });
  });

  it("beats that never close are kept as they are written", () => {
    const text = "[Verse]\nG for 3, C for 2, D (1.5)\nlight on the water\n| G (7) |\nhome\n";
    const beats = read(text).sections[0]!.lines.map(({ chords }) => chords.map(({ ticks }) => ticks / 960));
    expect(beats).toEqual([[3, 2, 1.5], [7]]);
  });

  it("what can't be read as a chord keeps its text, is told with its place, and what was likely meant is offered", () => {
    const sheet = read("[Verse]\nG   Cq7  Dsuss4  G\nlight on the water here");
    const told = sheet.problems.map(({ line, column, text, suggestions }) => [
      line,
      column,
      text,
      suggestions?.[0],
    ]);
    expect(told).toEqual([
      [2, 5, "Cq7", "C7"],
      [2, 10, "Dsuss4", "Dsus4"],
    ]);
    expect(lost("Cq7 Dsuss4", sheet)).toEqual([]);
  });

  it.each([
    ["chords and words", "G   C   D\nlight on the water\n"],
    ["bars", "| G | C D | % | Am / / D |\n"],
    ["brackets", "[G]Light [C]on the [D\n"],
    ["headings", "[Verse]\nMorning\n"],
    ["figures", "A4 D4\n"],
    ["numbers", "1 4 5 1\n"],
    ["tab", "e|--3--5--|\n"],
    ["quotes", "\"'{}[]()|:\n"],
  ])("%s by the thousand: steps are bounded by lines", (_name, line) => {
    const text = line.repeat(Math.floor(3000 / line.split("\n").length));
    const lines = text.split("\n").length;
    expect(read(text).steps).toBeLessThanOrEqual(STEPS_A_LINE * lines);
  });
});
