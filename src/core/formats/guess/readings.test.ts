import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSheet } from "../read-sheet";
import { type BarOfBeats, LineGuesser } from "./line-beats";
import { guessReadings, type SectionOfReading } from "./readings";
import { WEIGHTS } from "./weights";

const FOUR: BarOfBeats = { beats: 4, hasHalf: true };

/** A line of words with its chords at shares of its syllables. */
const sung = (syllables: number, ...shares: number[]) => ({ known: null, syllables, shares });
const beatsOf = (text: string) =>
  readSheet(text).readings.map(({ sections }) =>
    sections.map((lines) => lines.map((line) => line.join(" "))),
  );

describe("a line that is guessed", () => {
  const guess = (beats: number, ...shares: number[]) =>
    new LineGuesser(FOUR).guess({ shares, syllables: 8 }, beats)?.beats;

  it.each([
    [8, [0, 0.25, 0.5, 0.75], [2, 2, 2, 2]],
    [16, [0, 0.2, 0.5, 0.7], [4, 4, 4, 4]],
    [8, [0, 0.4], [4, 4]],
    [16, [0, 0.6], [8, 8]],
    [8, [0, 0.25, 0.5], [2, 2, 4]],
    [8, [0, 0.5, 0.75], [4, 2, 2]],
    [8, [0, 0.25, 0.75], [2, 4, 2]],
    [8, [0], [8]],
  ])("%i beats, chords at %j of it: %j", (beats, shares, expected) =>
    expect(guess(beats, ...shares)).toEqual(expected),
  );

  it("is not shared evenly where its syllables lie quite otherwise", () => {
    expect(guess(16, 0, 0.1, 0.2, 0.3)).toEqual([2, 2, 4, 8]);
    expect(guess(2, 0, 0.1, 0.2, 0.3, 0.4)).toBeUndefined();
  });

  it("law: no other share of it costs less (slow, all of them)", () => {
    const lasting = [0.5, 1, 2, 3, 4, 6, 8];
    const all = (left: number, count: number): number[][] =>
      count === 0
        ? left === 0
          ? [[]]
          : []
        : lasting
            .filter((one) => one <= left)
            .flatMap((one) => all(left - one, count - 1).map((rest) => [one, ...rest]));
    const depth = (share: number) => [2, 4, 8, 16, 32].findIndex((parts) => Number.isInteger(share * parts));
    const costOf = (beats: readonly number[], shares: readonly number[], total: number) => {
      const isFar = shares.some((share, at) => Math.abs(share - at / shares.length) > 0.25);
      const far = isFar ? WEIGHTS.far : 1;
      let [at, cost] = [0, beats.length > 1 ? WEIGHTS.uneven : 0];
      for (const [index, one] of beats.entries()) {
        if (index > 0) {
          const within = at % 4;
          cost += within === 0 ? 0 : within % 1 ? WEIGHTS.off : within === 2 ? WEIGHTS.half : WEIGHTS.beat;
          cost += WEIGHTS.deep * (depth(at / total) < 0 ? 4 : Math.min(4, depth(at / total)));
          cost += WEIGHTS.syllable * far * Math.abs(at / total - shares[index]!);
        }
        cost += Number.isInteger(Math.log2(one / 4)) ? 0 : WEIGHTS.odd;
        at += one;
      }
      return cost;
    };
    fc.assert(
      fc.property(
        fc.constantFrom(4, 8, 12),
        fc.array(fc.integer({ min: 1, max: 99 }), { maxLength: 3 }),
        (total, places) => {
          const shares = [0, ...places.map((one) => one / 100).sort((a, b) => a - b)];
          const found = new LineGuesser(FOUR).guess({ shares, syllables: 8 }, total)!;
          const least = Math.min(...all(total, shares.length).map((one) => costOf(one, shares, total)));
          expect(found.cost).toBeLessThanOrEqual(least + 1e-9);
          expect(found.beats.reduce((sum, one) => sum + one, 0)).toBe(total);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("readings of a song", () => {
  it("give four even chords half bars or bars, two of them bars, and keep three to their length", () => {
    const readings = beatsOf(
      "[Verse]\n[G]Light on the [D]water, [Em]rope on the [C]sand\n[G]Light in the [D]window, [C]light in my hand",
    );
    expect(readings.map(([verse]) => verse)).toEqual(
      expect.arrayContaining([
        ["2 2 2 2", "2 2 4"],
        ["4 4 4 4", "4 4 8"],
      ]),
    );
    const two = beatsOf("[Verse]\n[G]Light on the [D]water\n[C]Light on the [D]sand");
    expect(two.map(([verse]) => verse)).toEqual(
      expect.arrayContaining([
        ["4 4", "4 4"],
        ["8 8", "8 8"],
      ]),
    );
    expect(two[0]).toEqual([["4 4", "4 4"]]);
  });

  it("give sections of the same chords the same lengths, and all lines of a section one", () => {
    const text = (words: string) => `[G]${words} light, [D]la\n[C]${words}, [D]${words} la`;
    const all = readSheet(`[Verse 1]\n${text("on the water")}\n\n[Verse 2]\n${text("down")}\n`).readings;
    expect(all.length).toBe(4);
    for (const { bars, sections } of all) {
      expect(bars[0]).toBe(bars[1]);
      for (const lines of sections)
        expect(new Set(lines.map((line) => line.reduce((sum, one) => sum + one, 0))).size).toBe(1);
    }
  });

  it("follow what is written: the others are as long as lines whose beats are known", () => {
    const written = { known: [8, 8] };
    const open = { group: "a", lines: [written, sung(8, 0, 0.4), written] } satisfies SectionOfReading;
    expect(guessReadings([open], FOUR)[0]).toMatchObject({
      sections: [
        [
          [8, 8],
          [8, 8],
          [8, 8],
        ],
      ],
      bars: [4],
    });
    expect(guessReadings([{ group: "a", lines: [written] }], FOUR)).toEqual([]);
    expect(guessReadings([], FOUR)).toEqual([]);
  });

  it("are said in words", () => {
    const { readings } = readSheet(
      "[Verse]\n[G]Light on the [D]water\n\n[Chorus]\n[C]Shine, little lantern, [G]shine till the day",
    );
    expect(readings.map(({ why }) => why)).toContain("2 bars a line");
    for (const { why } of readings) expect(why).toMatch(/bars? a line/u);
  });

  it("are none where beats are written, and the one that is asked for is applied", () => {
    expect(readSheet("[Verse]\n| G / D / | C |").readings).toEqual([]);
    expect(readSheet("[Verse]\nG C\nla la", { beatsPerChord: 2 }).readings).toEqual([]);
    const text = "[Verse]\n[G]Light on the [D]water";
    const { readings } = readSheet(text);
    for (const [reading, { sections }] of readings.entries()) {
      const { chords } = readSheet(text, { reading }).sections[0]!.lines[0]!;
      expect(chords.map(({ ticks }) => ticks / 960)).toEqual(sections[0]![0]);
      expect(chords.every(({ guessed }) => guessed)).toBe(true);
    }
  });

  it("law: they are in order, differ in some line's length, and no choice of lengths is cheaper (slow)", () => {
    const line = fc
      .array(fc.integer({ min: 1, max: 99 }), { maxLength: 3 })
      .chain((places) =>
        fc
          .integer({ min: 0, max: 14 })
          .map((syllables) => sung(syllables, 0, ...places.map((one) => one / 100).sort((a, b) => a - b))),
      );
    const section = fc.array(line, { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(fc.array(section, { minLength: 1, maxLength: 3 }), (sections) => {
        const asked = sections.map((lines, at) => ({ group: `g${at}`, lines }));
        const found = guessReadings(asked, FOUR);
        const lengths = found.map(({ sections: all }) =>
          JSON.stringify(all.map((lines) => lines.map((one) => one.reduce((sum, beats) => sum + beats, 0)))),
        );
        expect(new Set(lengths).size).toBe(found.length);
        const costs = found.map(({ cost }) => cost);
        expect(costs).toEqual(costs.toSorted((a, b) => a - b));
        // One section alone is never dearer by itself than what the whole song gives it.
        const alone = asked.map((one) => guessReadings([one], FOUR)[0]!.cost);
        expect(costs[0]! + 1e-9).toBeGreaterThanOrEqual(Math.max(...alone));
      }),
      { numRuns: 60 },
    );
  });
});
