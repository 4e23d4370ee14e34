import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lineSyllables } from "../../song/read";
import { atSyllables, spreadOver } from "./at-syllables";
import { readChordText } from "./read-chord-text";

const sumOf = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0);

describe("chords set over words by eye", () => {
  it.each([
    ["Give way to the count", [3, 7], [5, 9]],
    ["Give way to the count", [0, 18], [0, 16]],
    ["harbour bell", [2, 8], [3, 8]],
    ["over the water", [4, 12], [5, 11]],
    ["Light", [0, 3], [0, 5]],
    ["way home", [1, 2], [0, 4]],
    // Two over one word both keep a place, and the next is not pushed on.
    ["way home", [0, 2, 4], [0, 3, 4]],
    ["way home", [4, 6], [4, 8]],
    // Two before the words, or in one gap, stand before the same word.
    ["way home", [0, 0, 4], [0, 0, 4]],
    ["on 2000 lamps", [3, 8], [3, 8]],
    ["a", [0, 0, 0, 0], [0, 0, 0, 0]],
    ["Light on", [0, 8], [0, 8]],
    ["", [0, 4], [0, 0]],
  ])("%j at %j stand at %j", (words, places, expected) =>
    expect(atSyllables(words, places)).toEqual(expected),
  );

  it("stand at syllables in a sheet, and to the letter where they are written in the words", () => {
    const at = (text: string) => readChordText(text).sections[0]!.lines[0]!.chords.map((chord) => chord.at);
    expect(at("[Verse]\n   G   D\nGive way to the count")).toEqual([5, 9]);
    expect(at("[Verse]\nGi[G]ve [D]way")).toEqual([2, 5]);
  });

  it("law: they keep their order, and stand where syllables begin or words end; no other choice moves them less (slow)", () => {
    const word = fc.stringMatching(/^[a-zé]{1,9}$/u);
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 0, max: 60 }), { maxLength: 6 }),
        (sung, raw) => {
          const words = sung.join(" ");
          const places = [...new Set(raw)].sort((a, b) => a - b);
          const set = atSyllables(words, places);
          expect(set.every((one, at) => at === 0 || one >= set[at - 1]!)).toBe(true);
          const starts = lineSyllables(words);
          const ends = [...words.matchAll(/\S+/gu)].map((match) => match.index + match[0].length);
          const stops = [...new Set([...starts, ...ends])].sort((a, b) => a - b);
          for (const one of set) expect(stops).toContain(one);
          const few = places.filter((place) => place < words.length).slice(0, 3);
          if (few.every((place) => place === 0)) return;
          const cost = (chosen: readonly number[]) =>
            sumOf(chosen.map((at, index) => Math.abs(at - few[index]!) + (starts.includes(at) ? 0 : 2))) +
            6 * chosen.filter((at, index) => at === chosen[index - 1]).length;
          let choices: number[][] = [[]];
          for (const _ of few)
            choices = choices.flatMap((list) =>
              stops.filter((at) => at >= (list.at(-1) ?? 0)).map((at) => [...list, at]),
            );
          expect(cost(atSyllables(words, few))).toBe(Math.min(...choices.map(cost)));
        },
      ),
    );
  });
});

describe("chords that were not set over the words", () => {
  it.each([
    ["Give way to the count", [4, 4, 4], [0, 9, 12]],
    ["Give way to the count", [4], [0]],
    ["Give way to the count", [8, 2, 2], [0, 12, 16]],
    ["way", [4, 4, 4], [0, 3, 3]],
    ["", [4, 4], [0, 0]],
  ])("%j for %j stand at %j", (words, ticks, expected) => expect(spreadOver(words, ticks)).toEqual(expected));

  it("are those in bars close together over longer words", () => {
    const line = (text: string) => readChordText(`[Verse]\n${text}`).sections[0]!.lines[0]!;
    const at = (text: string) => line(text).chords.map((chord) => chord.at);
    const words = "Give way to the count and the harbour light is home again";
    expect(at(`| G | C | D | G |\n${words}`)).toEqual([0, 16, 30, 47]);
    // Wide apart they were set there.
    expect(at(`| G            | C             | D         | G |\n${words}`)).toEqual([0, 16, 33, 44]);
  });

  it("a bar of words without a chord goes on with the one before", () => {
    const beats = (text: string) =>
      readChordText(`[Verse]\n${text}`).sections[0]!.lines[0]!.chords.map(({ symbol, at, ticks }) => [
        symbol,
        at,
        ticks / 960,
      ]);
    expect(beats("[G]Give | way to | [C]the | count")).toEqual([
      ["G", 0, 8],
      ["C", 12, 8],
    ]);
    expect(beats("| [G]Give way | [C]to the count |")).toEqual([
      ["G", 0, 4],
      ["C", 9, 4],
    ]);
    expect(beats("| G |     | C |\nGive way")).toEqual([
      ["G", 0, 8],
      ["C", 8, 4],
    ]);
  });
});
