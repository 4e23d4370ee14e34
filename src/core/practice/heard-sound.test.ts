import { describe, expect, it } from "vitest";
import { sampleRiff } from "../../../testing/song/sample-riff";
import { sampleStrum } from "../../../testing/song/sample-strum";
import { edit, sampleTones } from "../../../testing/sounds/sample-sounds";
import { PLAIN_NOTE } from "../fretboard";
import { add, set } from "../song/edit";
import type { VersionBody } from "../song/schema";
import { setMoves } from "../sounds";
import { heardOf } from "./heard-band";
import { heardOnsets } from "./through-sound";

const BEAT = 960;
const BAR = 4 * BEAT;
/** A beat is a second. */
const msOf = (tick: number) => (tick / BEAT) * 1000;
let made = 0;
const makeId = () => `m${made++}`;

const heard = (body: VersionBody) => heardOf(body, body.players.p0!);
/** In uses b and on, the sound of that name is on. */
const sounding = (said: Record<string, string | number | boolean>) =>
  sampleTones(
    { 0: { sound: "Plain" }, 1: { sound: "Wet" }, 2: { sound: "Plain" } },
    { Plain: {}, Wet: said },
  );
/** What sounds in the first bar of use b, by pitch. */
const pitchesIn = (body: VersionBody, from = 4 * BAR) => {
  const { strokes, line } = heardOnsets(heard(body), from, from + BAR, msOf);
  return [...strokes, ...line].map(({ pitch }) => pitch);
};
const lined = (body: VersionBody) => {
  const row = sampleRiff({ ticks: BAR, strokes: "all down" });
  // G3, A3, C4: the open G string, and frets 2 and 5 of it.
  const notes = [0, 2, 5].map((fret, at) =>
    add("riffNotes", {
      ...PLAIN_NOTE,
      id: `n${at}`,
      riffId: "r",
      tick: at * BEAT,
      ticks: BEAT,
      string: 3,
      fret,
    }),
  );
  return [add("riffs", row), ...notes, set("cells", "c1", { riffId: "r" })].reduce(edit, body);
};

describe("what sounds make of what is played", () => {
  it("is nothing of a plain sound, and of one nobody described", () => {
    expect(heard(sounding({})).sound).toBeUndefined();
    expect(heard(sampleTones({ 0: { sound: "Unknown" } })).sound).toBeUndefined();
  });

  it("adds an octave to every string, softer where less of it is mixed in, only where the sound is on", () => {
    const body = sounding({ octave: "one down", "octave.mix": 25 });
    const { strokes } = heardOnsets(heard(body), 4 * BAR, 5 * BAR, msOf);
    // 320003 in low light, and its strings an octave lower.
    expect(strokes.slice(0, 4).map(({ pitch, velocity }) => [pitch, velocity])).toEqual([
      [43, 68],
      [31, 34],
      [47, 68],
      [35, 34],
    ]);
    expect(pitchesIn(body)).toHaveLength(12);
    expect(pitchesIn(body, 0)).toHaveLength(6);
    expect(pitchesIn(body, 8 * BAR)).toHaveLength(6);
  });

  it("leaves nothing of the note itself where all is what is added", () =>
    expect(pitchesIn(sounding({ octave: "one up", "octave.mix": 100 }))).toEqual([55, 59, 62, 67, 71, 79]));

  it("adds a third of the key to the notes of a line, and none to chords", () => {
    const body = sounding({ harmony: "third above" });
    // In G: B over G, C over A, E over C.
    expect(pitchesIn(lined(body))).toEqual([55, 59, 57, 60, 60, 64]);
    expect(pitchesIn(body)).toHaveLength(6);
  });

  it("is as loud as its level, boost, pedal and knob say, by hand", () => {
    const levels = (said: Record<string, string | number | boolean>) =>
      heard(sounding(said)).sound!.levels.map(({ tick, gain }) => [
        tick / BAR,
        Math.round(gain * 1000) / 1000,
      ]);
    // Six decibels are twice the amplitude.
    expect(levels({ level: -6 })).toEqual([
      [4, 0.501],
      [8, 1],
    ]);
    expect(levels({ boost: true, "boost.level": 3 })[0]).toEqual([4, 1.413]);
    expect(levels({ pedal: 5 })[0]).toEqual([4, 0.25]);
    expect(levels({ volume: 0 })[0]).toEqual([4, 0]);
  });

  it("swells as the foot moves, in its time, and is told at the begin of any stretch", () => {
    const move = { from: BAR, to: BAR + 2 * BEAT, setting: "pedal" as const, value: 10, by: "foot" as const };
    const body = edit(
      sounding({ pedal: 0 }),
      setMoves(sounding({}), { useId: "u1", playerId: "p0" }, { moves: [move] }, makeId),
    );
    const { levels } = heard(body).sound!;
    const gainAt = (tick: number) => levels.findLast((one) => one.tick <= tick)!.gain;
    expect(gainAt(5 * BAR - 1)).toBe(0);
    expect(gainAt(5 * BAR + BEAT)).toBeCloseTo(0.25, 2);
    expect(gainAt(5 * BAR + 2 * BEAT)).toBe(1);
    // Steps no one hears: none over a twentieth of a beat, none over a tenth of full scale.
    const rise = levels.filter(({ tick }) => tick > 5 * BAR && tick <= 5 * BAR + 2 * BEAT);
    for (const [at, { tick, gain }] of rise.entries()) {
      expect(tick - (rise[at - 1]?.tick ?? 5 * BAR)).toBeLessThanOrEqual(48);
      expect(gain - (rise[at - 1]?.gain ?? 0)).toBeLessThan(0.1);
    }
    const [first] = heardOnsets(heard(body), 5 * BAR + BEAT, 6 * BAR, msOf).levels;
    expect(first).toEqual({ ms: msOf(5 * BAR + BEAT), gain: gainAt(5 * BAR + BEAT) });
  });

  it("is cut and let through by an on–off row over its pattern, chord by chord", () => {
    const strum = sampleStrum("D . . . . . . .", { gate: "1 1 0 1" });
    const body = [add("strums", strum), set("cells", "c1", { strumId: "s" })].reduce(edit, sounding({}));
    const { levels } = heard(body).sound!;
    const first = levels.filter(({ tick }) => tick >= 4 * BAR && tick < 5 * BAR);
    expect(first.map(({ tick, gain }) => [(tick - 4 * BAR) / BEAT, gain])).toEqual([
      [1, 0],
      [1.5, 1],
      [3, 0],
      [3.5, 1],
    ]);
    expect(levels.some(({ tick }) => tick < 4 * BAR || tick >= 8 * BAR)).toBe(false);
    const wrong = edit(body, set("strums", "s", { gate: "1 0 1" }));
    expect(heard(wrong).sound).toBeUndefined();
  });
});
