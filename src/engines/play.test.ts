import { describe, expect, it } from "vitest";
import { runEngine } from ".";

type Told = { ms: number; pitch: string | null; lastsMs: number; string?: number; stroke?: string };
const COMMON = { tempo: 120, meter: { beats: 4, unit: 4 } };

function onsets(input: object): Told[] {
  const outcome = runEngine("play", { ...COMMON, ...input });
  if (!outcome.ok) throw new Error(`${outcome.error.path}: ${outcome.error.message}`);
  return (outcome.result as { onsets: Told[] }).onsets;
}
const refused = (input: object) => {
  const outcome = runEngine("play", { ...COMMON, ...input });
  if (outcome.ok) throw new Error("Expected a refusal.");
  return `${outcome.error.path} ${outcome.error.message}`;
};
const AM = [null, 0, 2, 2, 1, 0];

describe("play", () => {
  it("tells what sounds of a strum, as hands strike it", () => {
    expect(
      onsets({ events: [{ at: 0, beats: 1, frets: AM, pattern: "D3 U1" }], spreadMs: 8 }).map(
        ({ ms, pitch, string, stroke }) => [ms, pitch, string, stroke],
      ),
    ).toEqual([
      [0, "A2", 1, "down"],
      [2, "E3", 2, "down"],
      [4, "A3", 3, "down"],
      [6, "C4", 4, "down"],
      [8, "E4", 5, "down"],
      [250, "E4", 5, "up"],
      [252, "C4", 4, "up"],
      [254, "A3", 3, "up"],
      [256, "E3", 2, "up"],
      [258, "A2", 1, "up"],
    ]);
  });

  it("counts beats as the metre has them, or as it is told", () => {
    const events = [{ at: 1, beats: 1, notes: ["C4"] }];
    const eight = { meter: { beats: 6, unit: 8 }, tempo: 60, events };
    // A dotted quarter a second; an eighth a second where that is said.
    expect(onsets(eight)).toEqual([{ ms: 1000, pitch: "C4", lastsMs: 1000, velocity: 85 }]);
    expect(onsets({ ...eight, beatUnit: "1/8", tempo: 60 })[0]).toMatchObject({ ms: 1000, lastsMs: 1000 });
  });

  it("reads picking by its fingers, swings pairs and leaves triplets even", () => {
    const picked = onsets({ events: [{ at: 0, beats: 2, frets: AM, pattern: "p i m a" }] });
    expect(picked.map(({ ms, pitch }) => [ms, pitch])).toEqual([
      [0, "A2"],
      [250, "A3"],
      [500, "C4"],
      [750, "E4"],
    ]);
    const times = (subdivision: number, pattern: string) =>
      onsets({
        swing: 0.6,
        events: [{ at: 0, beats: 1, frets: [0, null, null, null, null, null], pattern, subdivision }],
      }).map(({ ms }) => Math.round(ms));
    expect(times(2, "D U")).toEqual([0, 300]);
    expect(times(3, "D U D")).toEqual([0, 167, 333]);
  });

  it("refuses at the field that is wrong", () => {
    const one = { at: 0, beats: 4, frets: AM };
    expect(refused({ events: [{ ...one, frets: [0, 0] }] })).toMatch(/^events\.0\.frets .*6 strings, not 2/u);
    expect(refused({ events: [{ at: 0, beats: 4 }] })).toMatch(/^events\.0\.frets .*no notes/u);
    expect(refused({ events: [{ ...one, pattern: "D Q" }] })).toMatch(
      /^events\.0\.pattern .*stroke 2 is "Q"/u,
    );
    expect(refused({ events: [{ ...one, pattern: "D U D" }] })).toMatch(/^events\.0\.pattern .*whole beats/u);
    expect(refused({ events: [{ ...one, pattern: "" }] })).toMatch(/^events\.0\.pattern .*one beat/u);
    expect(refused({ events: [{ ...one, pattern: "D U", subdivision: 5 }] })).toMatch(
      /^events\.0\.subdivision /u,
    );
    expect(refused({ events: [{ ...one, notes: ["H4"] }] })).toMatch(/^events\.0\.notes\.0 /u);
    expect(refused({ events: [{ ...one, tuning: ["E2"] }] })).toMatch(/^events\.0\.tuning /u);
    expect(refused({ events: [one], beatUnit: "1/3" })).toMatch(/^beatUnit /u);
    expect(refused({ events: [one], swing: 0.9 })).toMatch(/^swing /u);
    expect(refused({ events: [one], tempo: 0 })).toMatch(/^tempo /u);
    expect(refused({ events: [one], meter: { beats: 0, unit: 4 } })).toMatch(/^meter\.beats /u);
    expect(refused({ events: [{ ...one, beats: 100_000 }, one].concat(one), tempo: 400 })).toMatch(
      /^events\.\d\.beats .*200000 strokes/u,
    );
  });
});
