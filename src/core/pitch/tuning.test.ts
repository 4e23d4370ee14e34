import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { formatPitch, parsePitch } from "./pitch";
import {
  BASS_TUNING,
  formatTuning,
  GUITAR_TUNING,
  parseTuning,
  STANDARD_TUNINGS,
  tuningShift,
} from "./tuning";

const tuning = (text: string) => unwrap(parseTuning(text.split(" ")));

describe("pitches", () => {
  // MIDI 60 is middle C, here C4 (MIDI 1.0 specification).
  it.each([
    ["C4", 60],
    ["A4", 69],
    ["E2", 40],
    ["B#3", 60],
    ["Cb4", 59],
    ["C-1", 0],
    ["G9", 127],
  ])("reads %s as %i", (text, midi) => expect(unwrap(parsePitch(text))).toBe(midi));

  it.each(["C", "H2", "C44", "4C", "G#9", "Cb-1"])("refuses %j", (text) =>
    expect(parsePitch(text).ok).toBe(false),
  );

  it("writes what it reads, spelled as asked", () => {
    for (let midi = 0; midi < 128; midi++) expect(unwrap(parsePitch(formatPitch(midi)))).toBe(midi);
    expect(formatPitch(59, -7)).toBe("Cb4");
    expect(formatPitch(60, 12)).toBe("B#3");
    expect(formatPitch(60, 1)).toBe("C4");
  });
});

describe("tunings", () => {
  it("know their own count of strings, rising", () => {
    for (const [count, strings] of Object.entries(STANDARD_TUNINGS)) {
      const open = unwrap(parseTuning(strings));
      expect(open).toHaveLength(Number(count));
      expect([...open].sort((a, b) => a - b)).toEqual(open);
    }
  });

  it("are read and written alike", () =>
    expect(formatTuning(tuning("E1 A1 D2 G2"))).toEqual([...BASS_TUNING]));

  it("find an even shift, and none where strings differ", () => {
    expect(tuningShift(tuning("Eb2 Ab2 Db3 Gb3 Bb3 Eb4"))).toBe(-1);
    expect(tuningShift(tuning("D2 A2 D3 G3 B3 E4"))).toBe(0);
    expect(tuningShift(tuning("G4 C4 E4 A4"))).toBe(0);
    expect(tuningShift(unwrap(parseTuning(GUITAR_TUNING)))).toBe(0);
    expect(tuningShift(tuning("D2 A2 D3"))).toBe(0);
  });

  it("say which string cannot be read", () => {
    expect(parseTuning(["E2", "A2", "X3"])).toEqual({
      ok: false,
      problem: { code: "not-a-pitch", text: "X3", string: 2 },
    });
    expect(parseTuning(["E2", "A2"])).toEqual({ ok: false, problem: { code: "string-count", count: 2 } });
  });
});
