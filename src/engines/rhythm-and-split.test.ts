import { describe, expect, it } from "vitest";
import { runEngine } from ".";

const FOUR = { beats: 4, unit: 4 };
const strum = (input: object) => runEngine("strum", { meter: FOUR, subdivision: 2, ...input });
const result = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  if (!outcome.ok) throw new Error(`Expected a result, got ${JSON.stringify(outcome.error)}.`);
  return outcome.result;
};
const error = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  return outcome.ok ? null : outcome.error;
};

describe("strum", () => {
  it("gives counts, onsets and weights, by hand", () => {
    expect(strum({ pattern: "D3 . D U . U D x" })).toEqual({
      ok: true,
      result: {
        bars: 1,
        counts: ["1", "&", "2", "&", "3", "&", "4", "&"],
        onsets: [0, 960, 1440, 2400, 2880, 3360],
        weights: [3, 2, 2, 2, 2, 2],
      },
    });
    expect(result("strum", { meter: FOUR, subdivision: 2, swing: 0.75, pattern: "D U" })).toMatchObject({
      bars: 0.25,
      onsets: [0, 720],
    });
  });

  it("offers the patterns meant by a strum as it is said", () => {
    expect(runEngine("strum", { meter: FOUR, words: "down down up down up" })).toEqual({
      ok: true,
      result: {
        candidates: [
          {
            pattern: "D . D U D U . .",
            subdivision: 2,
            bars: 1,
            why: "eighths, each stroke as soon as the hand gets there",
          },
          { pattern: "D . . . D U D U", subdivision: 2, bars: 1, why: "eighths, ending with the bar" },
          {
            pattern: "D . D U D U . .",
            subdivision: 4,
            bars: 0.5,
            why: "sixteenths, each stroke as soon as the hand gets there",
          },
          { pattern: "D . . . D U D U", subdivision: 4, bars: 0.5, why: "sixteenths, ending with the bar" },
        ],
      },
    });
    expect(error("strum", { meter: FOUR, words: "down sideways" })).toEqual({
      path: "words",
      message: 'should be downs and ups, or counts: "sideways" (word 2) is neither, or not beside the others',
    });
    expect(error("strum", { meter: FOUR, words: "down", subdivision: 2 })).toMatchObject({
      path: "subdivision",
    });
    expect(error("strum", { meter: FOUR, words: "down", feel: "sad" })).toMatchObject({ path: "feel" });
    expect(error("strum", { meter: { beats: 0, unit: 4 }, words: "down" })).toMatchObject({
      path: "meter.beats",
    });
  });

  it("lays two over one another", () => {
    const a = { meter: FOUR, subdivision: 2, pattern: "D . D ." };
    const b = { meter: FOUR, subdivision: 4, pattern: "D . . U D . . ." };
    expect(result("strum", { a, b })).toEqual({
      shared: 2,
      united: 3,
      onlyA: [],
      onlyB: [720],
      overlap: 2 / 3,
    });
  });

  it.each([
    ["pattern", { pattern: "D Q" }],
    ["pattern", { pattern: "" }],
    ["pattern", { pattern: "D" }],
    ["pattern", { pattern: 7 }],
    ["subdivision", { pattern: "D U", subdivision: 5 }],
    ["swing", { pattern: "D U", swing: 0.9 }],
    ["swing", { pattern: "D U D", subdivision: 3, swing: 0.6 }],
    ["meter.unit", { pattern: "D U", meter: { beats: 4, unit: 5 } }],
    ["meter.beats", { pattern: "D U", meter: { beats: 0, unit: 4 } }],
    [
      "b.pattern",
      {
        a: { meter: FOUR, subdivision: 2, pattern: "D U" },
        b: { meter: FOUR, subdivision: 2, pattern: "D" },
      },
    ],
    [
      "b.meter",
      {
        a: { meter: FOUR, subdivision: 2, pattern: "D U" },
        b: { meter: { beats: 3, unit: 4 }, subdivision: 2, pattern: "D U" },
      },
    ],
    ["b", { a: { meter: FOUR, subdivision: 2, pattern: "D U" } }],
  ])("names %s when it is wrong", (path, input) => {
    const outcome = strum(input);
    expect(outcome.ok ? null : outcome.error.path).toBe(path);
    if (!outcome.ok) expect(outcome.error.message).not.toBe("");
  });
});

const section = {
  id: "v1",
  bars: 4,
  chords: [{ symbol: "G", beats: 16 }],
  voice: { low: "A3", high: "D5" },
  energy: 2,
  bass: "needed",
};
const player = {
  id: "a",
  instrument: "guitar",
  level: "steady",
  range: ["E2", "E5"],
  sings: true,
  loops: false,
};
const band = {
  tempo: 92,
  meter: FOUR,
  sections: [section],
  players: [player, { ...player, id: "b", instrument: "bass", range: ["E1", "G3"] }],
};

describe("split", () => {
  it("gives a cell for each section and player in each of three schools, pitches as pitches", () => {
    const { proposals } = result("split", band) as {
      proposals: { school: string; cells: Record<string, unknown>[]; violations: unknown[] }[];
    };
    expect(proposals.map((one) => one.school)).toEqual(["layered build", "carry and colour", "sparse"]);
    for (const { cells, violations } of proposals) {
      expect(violations).toEqual([]);
      expect(cells.map((cell) => `${cell.section} ${cell.player}`)).toEqual(["v1 a", "v1 b"]);
      for (const cell of cells)
        expect(cell.role === "out" ? cell.low === null : /^[A-G][#b]?\d$/u.test(String(cell.low))).toBe(true);
      expect(cells[1]!.role).toBe("bass");
    }
  });

  it("takes chords without beats, and a band without strings", () => {
    const keys = { ...player, id: "k", instrument: "keys" };
    const input = { ...band, sections: [{ ...section, chords: ["G", "C"], voice: null }], players: [keys] };
    expect(runEngine("split", input).ok).toBe(true);
  });

  it.each([
    ["sections.0.energy", { ...band, sections: [{ ...section, energy: 5 }] }],
    ["sections.0.bars", { ...band, sections: [{ ...section, bars: 0 }] }],
    [
      "sections.0.chords.0.symbol",
      { ...band, sections: [{ ...section, chords: [{ symbol: "Hq", beats: 4 }] }] },
    ],
    ["sections.0.voice.high", { ...band, sections: [{ ...section, voice: { low: "D5", high: "A3" } }] }],
    ["sections.1.id", { ...band, sections: [section, section] }],
    ["players.1.id", { ...band, players: [player, player] }],
    ["players.0.instrument", { ...band, players: [{ ...player, instrument: "horn" }] }],
    ["players.0.range.1", { ...band, players: [{ ...player, range: ["E3", "E2"] }] }],
    ["players.0.range.0", { ...band, players: [{ ...player, range: ["X", "E2"] }] }],
    ["players.0.tuning.1", { ...band, players: [{ ...player, tuning: ["E2", "Q", "D3"] }] }],
    ["players", { ...band, players: [] }],
    ["tempo", { ...band, tempo: 0 }],
    ["meter.unit", { ...band, meter: { beats: 4, unit: 3 } }],
    ["weights.voice", { ...band, weights: { voice: -1 } }],
  ])("names %s when it is wrong", (path, input) => expect(error("split", input)?.path).toBe(path));
});
