import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseTuning, stringNames } from "./tuning";
import { hzOf, NAMED_TUNINGS, nearestPitch, tuningMoves } from "./tuning-moves";

const tuning = (text: string) => unwrap(parseTuning(text.split(" ")));
const standard = tuning("E2 A2 D3 G3 B3 E4");

describe("tuningMoves", () => {
  it("says what to turn and how far", () => {
    expect(
      tuningMoves(standard, tuning("D2 A2 D3 G3 A3 D4"))!.map((one) => [one.name, one.semitones]),
    ).toEqual([
      ["low E", -2],
      ["A", 0],
      ["D", 0],
      ["G", 0],
      ["B", -2],
      ["high E", -2],
    ]);
  });

  it("warns of a string turned up more than a whole tone, from where it is or from what it is made for", () => {
    const warned = (from: string, to: string) =>
      tuningMoves(tuning(from), tuning(to))!
        .filter((one) => one.mayBreak)
        .map((one) => one.name);
    expect(warned("E2 A2 D3 G3 B3 E4", "E2 B2 E3 G#3 B3 E4")).toEqual([]);
    expect(warned("E2 A2 D3 G3 B3 E4", "E2 A2 D3 A#3 B3 E4")).toEqual(["G"]);
    expect(warned("E2 A2 D3 A3 B3 E4", "E2 A2 D3 A#3 B3 E4")).toEqual(["high A"]);
    expect(warned("D2 A2 D3 G3 B3 E4", "F2 A2 D3 G3 B3 E4")).toEqual(["low D"]);
  });

  it("has nothing to say between different numbers of strings", () =>
    expect(tuningMoves(standard, tuning("E1 A1 D2 G2"))).toBe(null));

  it("knows its tunings once each", () => {
    const written = NAMED_TUNINGS.map(({ strings }) => strings.join(" "));
    expect(new Set(written).size).toBe(written.length);
    for (const { strings } of NAMED_TUNINGS) expect(parseTuning([...strings]).ok).toBe(true);
  });
});

describe("names of strings", () => {
  it("are letters, low and high where two are alike, pitches where three are", () => {
    expect(stringNames(standard)).toEqual(["low E", "A", "D", "G", "B", "high E"]);
    expect(stringNames(tuning("D2 A2 D3 G3 A3 D4"))).toEqual(["D2", "low A", "D3", "G", "high A", "D4"]);
    expect(stringNames(tuning("G4 C4 E4 A4"))).toEqual(["G", "C", "E", "A"]);
  });
});

describe("frequencies", () => {
  // A4 = 440 Hz, ISO 16:1975; E2 is 82.41 Hz in equal temperament.
  it("are those of equal temperament", () => {
    expect(hzOf(69)).toBe(440);
    expect(hzOf(40)).toBeCloseTo(82.41, 2);
    for (let midi = 20; midi < 100; midi++) expect(nearestPitch(hzOf(midi))).toEqual({ midi, cents: 0 });
    expect(nearestPitch(445).cents).toBeCloseTo(19.6, 1);
    expect(nearestPitch(hzOf(40.4))).toMatchObject({ midi: 40, cents: 40 });
  });
});
