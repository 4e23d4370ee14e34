import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { type Chord, parseChord, type SoundingChord, toneName } from "../chord";
import { BASS_TUNING, GUITAR_TUNING, parsePitch, parseTuning, pitchClassOf } from "../pitch";
import { degreeLine } from "./degree-line";

const guitar = unwrap(parseTuning(GUITAR_TUNING));
const chords = (text: string): Chord[] => text.split(" ").map((symbol) => unwrap(parseChord(symbol)));
const pitch = (text: string) => unwrap(parsePitch(text));
const line = (text: string, low: string, high: string, allowed = ["1", "3", "5"], tuning = guitar) =>
  degreeLine(chords(text), { tuning, range: [pitch(low), pitch(high)], allowed });
const value = (result: ReturnType<typeof line>) => {
  if (!result.ok) throw new Error("Expected a line.");
  return result.value;
};

/** The least movement of any line at all. */
function slowMovement(text: string, low: number, high: number, allowed: readonly string[]): number {
  const columns = chords(text).map((chord) => {
    const { tones, root } = chord as SoundingChord;
    const classes = tones
      .filter((tone) => allowed.includes(String(tone.degree)))
      .map((tone) => pitchClassOf(toneName(tone, root)));
    return Array.from({ length: high - low + 1 }, (_, step) => low + step).filter((midi) =>
      classes.includes(midi % 12),
    );
  });
  const walk = (index: number, last: number): number =>
    index === columns.length
      ? 0
      : Math.min(...columns[index]!.map((midi) => Math.abs(midi - last) + walk(index + 1, midi)));
  return Math.min(...columns[0]!.map((midi) => walk(1, midi)));
}

describe("degreeLine", () => {
  it("moves as little as any line can", () => {
    for (const text of ["C Am F G", "G Em C D Bm", "Am7 D7 Gmaj7 C"])
      for (const [low, high] of [
        ["C3", "C4"],
        ["E2", "G3"],
      ] as const)
        expect(value(line(text, low, high)).movement).toBe(
          slowMovement(text, pitch(low), pitch(high), ["1", "3", "5"]),
        );
  });

  it("keeps to roots, and then low, where lines move alike", () => {
    expect(value(line("C C", "C3", "E3")).notes.map((note) => note.pitch)).toEqual(["C3", "C3"]);
    expect(value(line("G C", "B2", "E3", ["1", "3"])).notes.map((note) => note.pitch)).toEqual(["B2", "C3"]);
  });

  it("names the degree as it was allowed, the pitch in the chord's spelling, and the lowest fret", () => {
    expect(value(line("Am Eb", "A2", "C3")).notes).toEqual([
      { symbol: "Am", degree: "1", pitch: "A2", string: 1, fret: 0 },
      { symbol: "Eb", degree: "5", pitch: "Bb2", string: 1, fret: 1 },
    ]);
    expect(value(line("Cm", "Eb3", "Eb3", ["3"])).notes[0]).toMatchObject({
      degree: "3",
      pitch: "Eb3",
      string: 2,
      fret: 1,
    });
    expect(value(line("G7", "F3", "F3", ["b7"])).notes[0]).toMatchObject({ degree: "b7", pitch: "F3" });
  });

  it("passes no chord over and goes on from the note before", () => {
    const { notes, movement } = value(line("C N.C. C", "C3", "D3"));
    expect(notes.map((note) => note.pitch)).toEqual(["C3", null, "C3"]);
    expect(movement).toBe(0);
  });

  it("tells which chord has no note in range", () => {
    expect(line("C F", "C3", "C#3", ["1"])).toEqual({ ok: false, problem: 1 });
    expect(value(degreeLine([], { tuning: guitar, range: [40, 50], allowed: ["1"] })).notes).toEqual([]);
  });

  it("walks on a bass", () => {
    const bass = unwrap(parseTuning(BASS_TUNING));
    expect(value(line("E A", "E1", "A1", ["1"], bass)).notes.map((note) => [note.string, note.fret])).toEqual(
      [
        [0, 0],
        [1, 0],
      ],
    );
  });
});
