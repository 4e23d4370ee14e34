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
  soundScore([{ voice: "steel", onsets }]).events.map(({ ms, type, channel, key }) => [
    ms,
    type,
    channel,
    key,
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
    expect(score.programs).toEqual([
      { channel: 0, program: VOICES.steel.program },
      { channel: 1, program: VOICES.muted.program },
      { channel: 2, program: VOICES.finger.program },
    ]);
    expect(score.events.filter(({ channel }) => channel === 1).map(({ ms, type }) => [ms, type])).toEqual([
      [0, "on"],
      [60, "off"],
      [500, "on"],
      [560, "off"],
    ]);
  });

  it("leaves the kit its channel, and says where there are too many parts", () => {
    const parts = (count: number) =>
      Array.from({ length: count }, () => ({ voice: "piano" as const, onsets: [onset(0, 60, 100)] }));
    expect(soundScore(parts(15)).programs.map(({ channel }) => channel)).not.toContain(9);
    expect(() => soundScore(parts(16))).toThrow(/at most 15/u);
  });
});
