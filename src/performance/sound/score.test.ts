import { describe, expect, it } from "vitest";
import type { Onset } from "@/core/playing";
import { soundScore } from "./score";
import { VOICES } from "./voices";

const onset = (ms: number, pitch: number | null, lastsMs: number, string = 0): Onset => ({
  ms,
  pitch,
  lastsMs,
  string,
  velocity: 85,
  stroke: pitch === null ? "dead" : "down",
});
const told = (onsets: readonly Onset[]) =>
  soundScore([{ voice: "steel", onsets }]).events.map((event) => [
    event.ms,
    event.type,
    event.channel,
    "key" in event ? event.key : null,
  ]);

describe("soundScore", () => {
  it("begins and ends each note, what ends before what begins", () => {
    expect(told([onset(0, 40, 500), onset(500, 40, 300)])).toEqual([
      [0, "on", 0, 40],
      [500, "off", 0, 40],
      [500, "on", 0, 40],
      [800, "off", 0, 40],
    ]);
  });

  it("ends a pitch two strings sound with the later of them", () => {
    expect(told([onset(0, 59, 1000, 4), onset(10, 59, 400, 3)])).toEqual([
      [0, "on", 0, 59],
      [10, "on", 0, 59],
      [1000, "off", 0, 59],
    ]);
  });

  it("hears damped strings of one stroke as one short muted note, on a channel of its own", () => {
    const score = soundScore([
      { voice: "steel", onsets: [onset(0, null, 60, 0), onset(4, null, 60, 1), onset(500, null, 60, 0)] },
      { voice: "finger", onsets: [onset(0, 28, 100)] },
    ]);
    expect(score.channels.map(({ channel, program, part }) => [channel, program, part])).toEqual([
      [0, VOICES.steel.program, 0],
      [1, VOICES.steel.program, 0],
      [2, VOICES.muted.program, 0],
      [3, VOICES.finger.program, 1],
      [4, VOICES.finger.program, 1],
      [5, VOICES.muted.program, 1],
    ]);
    expect(score.events.filter(({ channel }) => channel === 2).map(({ ms, type }) => [ms, type])).toEqual([
      [0, "on"],
      [60, "off"],
      [500, "on"],
      [560, "off"],
    ]);
  });

  it("gives drums and the click channels of their own, and no other part one of theirs", () => {
    const steel = { voice: "steel" as const, onsets: [] };
    const { channels } = soundScore([
      ...Array.from({ length: 8 }, () => steel),
      { voice: "kit", onsets: [], hits: [{ ms: 0, key: 36, velocity: 85 }] },
      { voice: "click", onsets: [] },
    ]);
    const drums = channels.filter(({ program }) => program === null);
    expect(drums.map(({ channel, part }) => [channel, part])).toEqual([
      [9, 8],
      [25, 9],
    ]);
    expect(new Set(channels.map(({ channel }) => channel)).size).toBe(channels.length);
    for (const { channel, program } of channels) expect(channel % 16 === 9).toBe(program === null);
  });

  it("bends a note of a line in small steps, no further than the note goes", () => {
    const bent = {
      ...onset(0, 60, 100),
      bends: [
        { ms: 0, semitones: 0 },
        { ms: 40, semitones: 2 },
      ],
    };
    const { events } = soundScore([{ voice: "clean", onsets: [], line: [bent] }]);
    expect(events[0]).toMatchObject({ type: "bend", ms: 0, semitones: 0 });
    expect(events.filter(({ type }) => type === "bend").at(-1)).toMatchObject({ ms: 40, semitones: 2 });
    const cut = soundScore([{ voice: "clean", onsets: [], line: [{ ...bent, lastsMs: 20 }] }]).events;
    expect(cut.every(({ ms }) => ms <= 20)).toBe(true);
  });
});
