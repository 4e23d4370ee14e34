import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { parseTuning } from "../pitch";
import { type NoteAt, playLine } from "./line";

const TUNING = (() => {
  const read = parseTuning(["E2", "A2", "D3", "G3", "B3", "E4"]);
  if (!read.ok) throw new Error("a guitar is tuned");
  return read.value;
})();
const NECK = { tuning: TUNING, capo: 0 };

const note = (fields: Partial<NoteAt>): NoteAt => ({
  ms: 0,
  lastsMs: 400,
  string: 1,
  fret: 3,
  art: "plain",
  bend: 0,
  ring: false,
  short: false,
  weight: 2,
  stroke: null,
  neck: NECK,
  ...fields,
});

describe("a line as it sounds", () => {
  it("sounds each note at its time, with its pitch on the neck, by hand", () => {
    const onsets = playLine([note({}), note({ ms: 400, string: 2, fret: 0, weight: 3, stroke: "up" })]);
    expect(onsets).toEqual([
      { ms: 0, pitch: 48, lastsMs: 400, string: 1, velocity: 85, stroke: "pluck" },
      { ms: 400, pitch: 50, lastsMs: 400, string: 2, velocity: 110, stroke: "up" },
    ]);
    expect(playLine([note({ neck: { tuning: TUNING, capo: 2 } })])[0]!.pitch).toBe(50);
  });

  it("goes on softer where a note is hammered on or pulled off, from the one before on its string", () => {
    const [first, second, third] = playLine([
      note({ lastsMs: 300 }),
      note({ ms: 200, fret: 5, art: "hammer" }),
      note({ ms: 600, art: "pull" }),
    ]);
    expect(first).toMatchObject({ pitch: 48, lastsMs: 200, velocity: 85 });
    expect(second).toMatchObject({ pitch: 50, velocity: 64, stroke: null });
    expect(third).toMatchObject({ pitch: 48, velocity: 64, stroke: null });
  });

  it("glides to a note that is slid to, and rises where it is bent", () => {
    const [from, to] = playLine([note({}), note({ ms: 400, fret: 7, art: "slide" })]);
    expect(from!.bends).toEqual([
      { ms: 310, semitones: 0 },
      { ms: 400, semitones: 4 },
    ]);
    expect(to!.bends).toBeUndefined();
    expect(playLine([note({ bend: 4 })])[0]!.bends).toEqual([
      { ms: 0, semitones: 0 },
      { ms: 140, semitones: 2 },
    ]);
  });

  it("has no pitch where a note is dead, cuts a short one, and lets one ring until its string is struck", () => {
    const [dead] = playLine([note({ art: "dead", bend: 2 })]);
    expect(dead).toMatchObject({ pitch: null, lastsMs: 60, stroke: "dead" });
    expect(playLine([note({ short: true })])[0]!.lastsMs).toBe(180);
    const rung = playLine([note({ ring: true }), note({ ms: 900 }), note({ ms: 500, string: 2 })]);
    expect(rung.map(({ lastsMs }) => lastsMs)).toEqual([900, 400, 400]);
  });

  it("leaves out what is on no string of the neck", () =>
    expect(playLine([note({ string: 7 })])).toEqual([]));

  it("never sounds two notes at once on one string, and keeps every begin", () => {
    const notes = fc.array(
      fc.record({
        string: fc.nat(5),
        fret: fc.nat(12),
        art: fc.constantFrom("plain", "hammer", "pull", "slide", "dead"),
        bend: fc.nat(4),
        ring: fc.boolean(),
        short: fc.boolean(),
        lastsMs: fc.integer({ min: 10, max: 900 }),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(notes, (made) => {
        const onsets = playLine(
          made.map((fields, at) => note({ ...(fields as Partial<NoteAt>), ms: at * 100 })),
        );
        expect(onsets.map(({ ms }) => ms)).toEqual(made.map((_, at) => at * 100));
        for (const [at, one] of onsets.entries()) {
          const next = onsets.slice(at + 1).find(({ string }) => string === one.string);
          if (next) expect(one.ms + one.lastsMs).toBeLessThanOrEqual(next.ms + 1e-9);
          for (const bend of one.bends ?? []) expect(bend.ms).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });
});
