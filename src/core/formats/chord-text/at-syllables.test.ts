import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lineSyllables } from "../syllables";
import { atSyllables } from "./at-syllables";
import { readChordText } from "./read-chord-text";

describe("chords set over words by eye", () => {
  it.each([
    ["Give way to the count", [3, 7], [5, 9]],
    ["Give way to the count", [0, 18], [0, 16]],
    ["harbour bell", [2, 8], [3, 8]],
    ["over the water", [4, 12], [5, 11]],
    ["Light", [0, 3], [0, 3]],
    ["way home", [1, 2], [0, 4]],
    ["Light on", [0, 8], [0, 8]],
    ["", [0, 4], [0, 4]],
  ])("%j at %j stand at %j", (words, places, expected) =>
    expect(atSyllables(words, places)).toEqual(expected),
  );

  it("stand at syllables in a sheet, and to the letter where they are written in the words", () => {
    const at = (text: string) => readChordText(text).sections[0]!.lines[0]!.chords.map((chord) => chord.at);
    expect(at("[Verse]\n   G   D\nGive way to the count")).toEqual([5, 9]);
    expect(at("[Verse]\nGi[G]ve [D]way")).toEqual([2, 5]);
  });

  it("law: they keep their order, and stand at syllables, past the words, or where they were", () => {
    const word = fc.stringMatching(/^[a-zé]{1,9}$/u);
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 0, max: 60 }), { maxLength: 6 }),
        (all, raw) => {
          const words = all.join(" ");
          const places = [...new Set(raw)].sort((a, b) => a - b);
          const set = atSyllables(words, places);
          expect(set.every((one, at) => at === 0 || one >= set[at - 1]!)).toBe(true);
          const starts = lineSyllables(words);
          for (const [at, one] of set.entries())
            expect(one === places[at] || starts.includes(one)).toBe(true);
        },
      ),
    );
  });
});
