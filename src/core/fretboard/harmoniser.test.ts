import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { formatPitch, GUITAR_TUNING, parseKey, parsePitch, parseTuning } from "../pitch";
import { type HarmonyInterval, harmonise } from "./harmoniser";
import { betweenFretsMm, fretMm } from "./neck";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const midi = (text: string) => text.split(" ").map((one) => ({ midi: unwrap(parsePitch(one)) }));
const run = (notes: string, interval: HarmonyInterval, more = {}) =>
  harmonise(midi(notes), { interval, tuning, ...more });
const inKey = (degrees: number, key: string): HarmonyInterval => ({
  degrees,
  key: unwrap(parseKey(key)),
  scale: key.endsWith("m") ? "minor" : "major",
});

describe("harmonise: what sounds (common practice, no source)", () => {
  it("adds thirds as the trade says them: under D a minor third is B, over F a major third is A", () => {
    expect(run("D4", { semitones: -3 }).sounding).toEqual([["D4", "B3"]]);
    expect(run("F4", { semitones: 4 }).sounding).toEqual([["F4", "A4"]]);
  });

  it("keeps to the key, and spells in it", () => {
    expect(run("A3 B3 C#4 D4", inKey(2, "A")).sounding.map((pair) => pair[1])).toEqual([
      "C#4",
      "D4",
      "E4",
      "F#4",
    ]);
    expect(run("Bb3 C4", inKey(-2, "Eb")).sounding.map((pair) => pair[1])).toEqual(["G3", "Ab3"]);
    expect(run("E4", inKey(5, "C")).sounding).toEqual([["E4", "C5"]]);
  });
});

describe("harmonise: by hand", () => {
  it("has the pair D4 and E4 in both ways of the trade (common practice, no source)", () => {
    const [pairs] = run("D4", { semitones: 2 }).substitutes;
    const written = pairs!.map(({ positions }) =>
      positions.map(({ string, fret }) => `${string}:${fret}`).join(" "),
    );
    expect(written).toContain("2:12 3:9");
    expect(written).toContain("4:3 5:0");
  });

  it("is every pair of strings within reach, easiest first, as a plain search has it", () => {
    for (const capo of [0, 3]) {
      const { substitutes, sounding } = run("E3 G3 A4 C5", { semitones: 4 }, { capo, maxFret: 12 });
      for (const [index, pairs] of substitutes.entries()) {
        const [note, harmony] = sounding[index]!.map((text) => unwrap(parsePitch(text)));
        const plain: string[] = [];
        for (let a = 0; a < 6; a++)
          for (let b = 0; b < 6; b++)
            for (let fretA = 0; fretA <= 12; fretA++)
              for (let fretB = 0; fretB <= 12; fretB++) {
                if (a === b || tuning[a]! + capo + fretA !== note || tuning[b]! + capo + fretB !== harmony)
                  continue;
                const wide = betweenFretsMm(fretA, fretB, capo, 648);
                if (fretA > 0 && fretB > 0 && wide > 98) continue;
                plain.push(`${a}:${fretA} ${b}:${fretB}`);
              }
        const found = pairs.map(({ positions }) =>
          positions.map((one) => `${one.string}:${one.fret}`).join(" "),
        );
        expect(found.toSorted()).toEqual(plain.sort());
        const costs = pairs.map((one) => one.difficulty);
        expect(costs).toEqual([...costs].sort((x, y) => x - y));
      }
    }
  });

  it("prices a pair by its stretch and its lowest fret, open strings free", () => {
    for (const { positions, stretchMm, difficulty } of run("D4", { semitones: 2 }).substitutes[0]!) {
      const fretted = positions.map((one) => one.fret).filter((fret) => fret > 0);
      const lowest = fretted.length > 0 ? Math.min(...fretted) : 0;
      expect(difficulty).toBeCloseTo(stretchMm / 20 + lowest / 10, 5);
      expect(stretchMm === 0 || fretted.length === 2).toBe(true);
      expect(positions.map((one) => one.pitch)).toEqual(["D4", "E4"]);
    }
  });

  it("moves the hand as little as any route can", () => {
    const { substitutes, route, routeMm } = run("A3 B3 C4 D4", inKey(2, "C"), { maxFret: 12 });
    const hand = (index: number, pick: number) => {
      const fretted = substitutes[index]![pick]!.positions.map((one) => one.fret).filter((fret) => fret > 0);
      return fretted.length === 0 ? null : fretMm(Math.min(...fretted), 648);
    };
    const length = (picks: readonly number[]) => {
      let [mm, at]: [number, number | null] = [0, null];
      for (const [index, pick] of picks.entries()) {
        const next = hand(index, pick);
        if (next === null) continue;
        if (at !== null) mm += Math.abs(next - at);
        at = next;
      }
      return mm;
    };
    let least = Number.POSITIVE_INFINITY;
    const picks: number[] = [];
    const choose = (index: number): void => {
      if (index === substitutes.length) least = Math.min(least, length(picks));
      else
        for (let pick = 0; pick < substitutes[index]!.length; pick++) {
          picks[index] = pick;
          choose(index + 1);
        }
    };
    choose(0);
    expect(routeMm).toBeCloseTo(least, 4);
    expect(length(route as number[])).toBeCloseTo(least, 4);
  });

  it("leaves a note it can't play out of the route", () => {
    const low = harmonise([{ midi: 30 }, { midi: 62 }], { interval: { semitones: 2 }, tuning });
    expect([low.substitutes[0], low.route[0]]).toEqual([[], null]);
    expect(low.sounding[0]![0]).toBe(formatPitch(30));
    expect(low.route[1]).toBe(0);
  });
});
