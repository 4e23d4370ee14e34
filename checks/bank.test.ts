/**
 * The bank of sounds against an equal-tempered scale at A4 = 440 Hz (ISO 16) as `pitchy` (MIT) hears it, and against the
 * times `play` gives: rendered by `spessasynth_core`, the library that plays it in the window.
 */
import { statSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { centsOff, openSynth, RATE, readBank, renderNote } from "../scripts/lib/heard.mjs";
import { type Onset, play } from "../src/core/playing";
import {
  type Mix,
  ScorePlayer,
  type SoundScore,
  soundScore,
  VOICES,
  type VoiceName,
} from "../src/performance/sound";

const FILE = path.join(import.meta.dirname, "..", "public", "sounds.sf3");
const names = Object.keys(VOICES) as VoiceName[];

/** Renders a chord in a voice that begins so late, s of it. */
async function rendered(voice: VoiceName, lateMs: number, seconds: number): Promise<Float32Array> {
  const synth = await openSynth(readBank(FILE));
  const { low } = VOICES[voice];
  const event = { at: lateMs, beats: 1000, held: null, notes: [low + 5, low + 12], pattern: null };
  const onsets = play([event], { msOf: (ms) => ms });
  const length = Math.round(RATE * seconds);
  const [left, right] = [new Float32Array(length), new Float32Array(length)];
  new ScorePlayer(synth, soundScore([{ voice, onsets }]), RATE).render(left, right);
  return left;
}

describe("the bank of sounds", () => {
  it("has at most 4 MiB", () => expect(statSync(FILE).size).toBeLessThanOrEqual(4 * 1024 * 1024));

  it.each(names)("%s is in tune to 5 cents over its range", async (name) => {
    const { program, low, high } = VOICES[name];
    const bank = readBank(FILE);
    for (let key = low; key <= high; key++) {
      const cents = centsOff(await renderNote(bank, program, key, 85), key);
      expect(cents, `${name} ${key} is heard`).not.toBeNull();
      expect(Math.abs(cents!), `${name} ${key}: ${cents!.toFixed(1)} cents`).toBeLessThanOrEqual(5);
    }
  });

  it.each(names)("%s sounds where it is told to, within a millisecond", async (name) => {
    const lateMs = 137.3;
    const late = Math.round((lateMs / 1000) * RATE);
    const [first, second] = [await rendered(name, 0, 0.3), await rendered(name, lateMs, 0.3 + lateMs / 1000)];
    const begins = (sound: Float32Array) => sound.findIndex((value) => Math.abs(value) > 1e-4);
    expect(begins(first)).toBeGreaterThanOrEqual(0);
    // What has chance in it, as a pad’s beating, need not be the same to the sample.
    expect(Math.abs(begins(second) - begins(first) - late)).toBeLessThanOrEqual(RATE / 1000);
  });
});

describe("what is told a synthesizer", () => {
  /** Renders a score, s of it. */
  async function listen(score: SoundScore, mix: Mix = [], seconds = 0.6): Promise<Float32Array> {
    const synth = await openSynth(readBank(FILE));
    const length = Math.round(RATE * seconds);
    const [left, right] = [new Float32Array(length), new Float32Array(length)];
    new ScorePlayer(synth, score, RATE, mix).render(left, right);
    return left;
  }
  const loudest = (sound: Float32Array) => sound.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const note = (pitch: number, bends?: Onset["bends"]): Onset => ({
    ms: 0,
    pitch,
    lastsMs: 5000,
    string: 0,
    velocity: 85,
    stroke: "pluck",
    ...(bends ? { bends } : {}),
  });

  it.each([0.5, 1, 2, 4])("bends a string by %s semitones, within 5 cents", async (semitones) => {
    const line = [
      note(60, [
        { ms: 0, semitones: 0 },
        { ms: 20, semitones },
      ]),
    ];
    const sound = await listen(soundScore([{ voice: "clean", onsets: [], line }]), [], 1);
    const cents = centsOff(sound, 60);
    expect(Math.abs(cents! - semitones * 100)).toBeLessThanOrEqual(5);
  });

  it.each([1, 0.5, 0.1, 1.4])("makes a channel %s times as loud, within half a decibel", async (gain) => {
    const held = (levels: { ms: number; gain: number }[]) =>
      listen(soundScore([{ voice: "organ", onsets: [note(60)], levels }]), [], 0.6);
    // The organ is even: after its beginning its loudness is that of its channel.
    const settled = (sound: Float32Array) => loudest(sound.slice(RATE / 4));
    const [plain, other] = [await held([]), await held([{ ms: 0, gain }])];
    const decibels = 20 * Math.log10(settled(other) / settled(plain) / gain);
    expect(Math.abs(decibels)).toBeLessThan(0.5);
  });

  it("cuts a note that rings, and lets it through again", async () => {
    const levels = [
      { ms: 200, gain: 0 },
      { ms: 400, gain: 1 },
    ];
    const sound = await listen(soundScore([{ voice: "organ", onsets: [note(60)], levels }]), [], 0.6);
    const at = (ms: number) => loudest(sound.slice((ms * RATE) / 1000, ((ms + 20) * RATE) / 1000));
    expect(at(300)).toBeLessThan(at(150) / 100);
    expect(at(500)).toBeGreaterThan(at(150) / 2);
  });

  it("hears drums and the click, and nothing of a part that is off", async () => {
    const hits = [{ ms: 0, key: 36, velocity: 85 }];
    for (const voice of ["kit", "click"] as const) {
      const score = soundScore([
        { voice: "kit", onsets: [], hits: voice === "kit" ? hits : [] },
        { voice: "click", onsets: [], hits: voice === "click" ? hits : [] },
      ]);
      expect(loudest(await listen(score))).toBeGreaterThan(0.01);
    }
    const score = soundScore([{ voice: "steel", onsets: [note(55)] }]);
    const full = loudest(await listen(score));
    expect(loudest(await listen(score, [{ gain: 0, pan: 0 }]))).toBeLessThan(full / 1000);
    // Half as loud is half the swing.
    expect(loudest(await listen(score, [{ gain: 0.5, pan: 0 }])) / full).toBeCloseTo(0.5, 1);
  });

  it("sounds the thirtieth part like the first", async () => {
    const silent = { voice: "steel" as const, onsets: [] };
    const score = soundScore([
      ...Array.from({ length: 29 }, () => silent),
      { voice: "steel", onsets: [note(55)] },
    ]);
    expect(loudest(await listen(score))).toBeCloseTo(
      loudest(await listen(soundScore([{ voice: "steel", onsets: [note(55)] }]))),
      3,
    );
  });
});
