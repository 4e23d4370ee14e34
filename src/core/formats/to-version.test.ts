import { describe, expect, it } from "vitest";
import { outlineOf, sheetCapo } from "../song/read";
import { readChordText } from "./chord-text";
import { versionOfSheet } from "./to-version";

describe("chords set by eye", () => {
  const places = (text: string) => {
    let count = 0;
    const body = versionOfSheet(readChordText(text), { name: "T", kind: "sheet" }, () => `t${count++}`);
    const [line] = outlineOf(body).sections[0]!.lines;
    return line!.chords.map(({ at }) => `${line!.text.slice(0, at)}|${line!.text.slice(at)}`);
  };
  it("stand where a syllable begins, never between a consonant and its vowel", () => {
    expect(places("[V]\nG   C\notra vez")).toEqual(["|otra vez", "otra |vez"]);
    expect(places("[V]\nG  C\notra vez")).toEqual(["|otra vez", "o|tra vez"]);
    expect(places("[V]\nG   C\nharbour bell")).toEqual(["|harbour bell", "har|bour bell"]);
  });
  it("chords in brackets stay to the letter", () => {
    expect(places("[V]\n[G]ot[C]ra vez")).toEqual(["|otra vez", "ot|ra vez"]);
  });
});

const capoOf = (head: string): number => {
  let count = 0;
  const sheet = readChordText(`${head}\n\n[Verse]\nG C D G\nla la la la`);
  return sheetCapo(versionOfSheet(sheet, { name: "T", kind: "sheet" }, () => `c${count++}`));
};

describe("the capo a sheet names", () => {
  it.each([
    ["Key: Bb\nCapo: 3", 3],
    ["Key: G\nCapo: 3", 3],
    ["Capo: 5", 5],
    ["Key: G", 0],
  ])("%s", (head, capo) => expect(capoOf(head)).toBe(capo));
});
