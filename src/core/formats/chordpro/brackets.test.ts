import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readBrackets } from "./brackets";
import { readOwnBeats } from "./own-beats";

const told = (text: string, naming: Parameters<typeof readBrackets>[1] = "letters") => {
  const { words, tokens, remarks } = readBrackets(text, naming);
  return [
    words,
    tokens.map((token) => `${token.kind} ${token.text} ${token.column} ${token.source}`),
    remarks,
  ];
};

describe("readBrackets, by hand", () => {
  it.each([
    ["[G]Light on [C]water", ["Light on water", ["chord G 0 0", "chord C 9 12"], []]],
    ["no brackets | here", ["no brackets | here", [], []]],
    [
      "| [G]a | [C]b |",
      [" a  b ", ["bar | 0 0", "chord G 1 2", "bar | 3 7", "chord C 4 9", "bar | 6 14"], []],
    ],
    ["a[*softly] b [Zork]c", ["a b c", ["unreadable Zork 4 13"], ["softly"]]],
    ["[]a [ ]b", ["a b", [], []]],
    ["[(Am7)]a", ["a", ["chord Am7 0 0"], []]],
    ["[[G]a", ["[a", ["chord G 1 1"], []]],
    ["[G a", ["[G a", [], []]],
    [`[${"x".repeat(61)}]a`, [`[${"x".repeat(61)}]a`, [], []]],
  ])("%j", (text, expected) => expect(told(text)).toEqual(expected));

  it("reads by the custom of the sheet, and a question mark as not sure", () => {
    expect(told("[Sol7]a [H]b", "syllables")[1]).toEqual(["chord G7 0 0", "unreadable H 2 8"]);
    expect(readBrackets("[Am?]a", "letters").tokens[0]).toMatchObject({ text: "Am", unsure: true });
  });

  it("loses no sign of a line outside its brackets (law)", () => {
    const piece = fc.constantFrom("[", "]", "[G]", "[*x]", "|", " ", "a", "light", "[Zz]");
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 20 }), (pieces) => {
        const text = pieces.join("");
        const { words, tokens } = readBrackets(text, "letters");
        expect(words.replaceAll(/\s/gu, "").length).toBeLessThanOrEqual(text.length);
        const letters = (line: string) => line.replaceAll(/[^a-z]/gu, "");
        expect(letters(words)).toBe(letters(text.replaceAll(/\[[^[\]]*\]/gu, "")));
        for (const { source, column } of tokens) {
          expect("[|").toContain(text[source]);
          expect(column).toBeLessThanOrEqual(words.length);
        }
      }),
    );
  });
});

describe("readOwnBeats", () => {
  const common = { beats: 4, unit: 4 };
  it("reads beats of the metre, guesses with a question mark", () => {
    expect(readOwnBeats("3 1?", common)).toEqual([
      { ticks: 2880, guessed: false },
      { ticks: 960, guessed: true },
    ]);
    expect(readOwnBeats("2", { beats: 6, unit: 8 })).toEqual([{ ticks: 2880, guessed: false }]);
  });
  it.each(["x", "1 -1", "1 2 three", "?", "1e999"])("%j is none", (text) =>
    expect(readOwnBeats(text, common)).toBeNull(),
  );
});
