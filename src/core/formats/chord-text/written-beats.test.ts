import { describe, expect, it } from "vitest";
import { readChordText } from "./read-chord-text";

const lengths = (line: string) => {
  const [section] = readChordText(`[Verse]\n${line}`).sections;
  return section!.lines[0]!.chords.map(
    ({ symbol, ticks, guessed }) => `${symbol} ${ticks / 960}${guessed ? "?" : ""}`,
  );
};

describe("beats as people write them", () => {
  it.each([
    ["A for 4, D for 4", ["A 4", "D 4"]],
    ["A for 4 beats, D for 2 beats, E for 2", ["A 4", "D 2", "E 2"]],
    ["A (4) D (4)", ["A 4", "D 4"]],
    ["A (1.5) D (2.5)", ["A 1.5", "D 2.5"]],
    ["A 4 | D 4", ["A 4", "D 4"]],
    ["A 6 D 2", ["A 6", "D 2"]],
    ["A por 4, D por 4", ["A 4", "D 4"]],
    ["La pour 4 temps", []],
    ["A for 4, D, E", ["A 4", "D 1", "E 1"]],
    ["| A (2) D (2) | E |", ["A 2", "D 2", "E 4"]],
  ])("%s", (line, expected) => expect(lengths(line)).toEqual(expected));

  it("are no words, and words are no beats", () => {
    const words = readChordText("[Verse]\nG      C\nA for 4 of us\nWait for 2 days\nA 4 leaf clover")
      .sections[0]!;
    expect(words.lines.map((line) => line.words)).toEqual([
      "A for 4 of us",
      "Wait for 2 days",
      "A 4 leaf clover",
    ]);
    expect(lengths("A 4 D E")).toEqual([]);
  });
});

describe("headings and capos as people write them", () => {
  it.each([
    ["Verse 1: A E F♯m D", "Verse 1", "verse", 1],
    ["Chorus x2: D A", "Chorus", "chorus", 2],
    ["Ch\nG  D\nla la", "Ch", "chorus", 1],
    ["Primeira parte\nG D\nla la", "Primeira parte", "verse", 1],
    ["Dernier refrain\nG D\nla la", "Dernier refrain", "chorus", 1],
    ["Letzte Strophe\nG D\nla la", "Letzte Strophe", "verse", 1],
    ["Último estribillo\nG D\nla la", "Último estribillo", "chorus", 1],
    ["Seconda strofa\nG D\nla la", "Seconda strofa", "verse", 1],
  ])("%j is a heading", (text, label, kind, repeat) => {
    const sheet = readChordText(text);
    expect(sheet.sections).toHaveLength(1);
    expect(sheet.sections[0]).toMatchObject({ label, kind });
    expect(sheet.form).toMatchObject([{ section: 0, repeat }]);
  });

  it.each([
    ["Capo 4 (play in C, sounds in E)", 4, "C"],
    ["capo 3, G shapes", 3, "G"],
    ["Capo: 2", 2, null],
    ["Tom: Dó, capo na 3ª casa", 3, "C"],
    ["Kapo 2. Bund", 2, null],
    ["Capodastre case 5", 5, null],
    ["Cejilla en el 2º traste", 2, null],
    ["Capotasto al 1° tasto", 1, null],
  ])("%s", (line, capo, key) => {
    const sheet = readChordText(`${line}\n\n[Verse]\nG C D G\nla la la la`);
    expect([sheet.capo, sheet.problems]).toEqual([capo, []]);
    if (key) expect(sheet.key).toBe(key);
  });
});
