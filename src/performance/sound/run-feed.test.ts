import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type HeardPart, layRun, type RunWish, wholeOf } from "@/core/practice";
import { BAR, BEAT, plainPassage } from "../../../testing/stage/plain-passage";
import { RunFeed } from "./run-feed";
import { goneOnIn } from "./run-sound";
import type { SoundEvent } from "./score";

const SONG = [plainPassage(6), plainPassage(3, { bpm: 60 })];
/** A key on every beat, its number the key. */
const part: HeardPart = {
  player: { id: "p", name: "Ann", instrument: "keys", plugged: false },
  strokes: Array.from({ length: 36 }, (_, beat) => ({
    tick: beat * BEAT,
    until: (beat + 1) * BEAT,
    stroke: { kind: "down", weight: 2 },
    held: null,
    notes: [40 + beat],
  })),
  notes: [],
  drums: [],
};
const wish = (fields: Partial<RunWish> = {}): RunWish => ({
  ...wholeOf(SONG),
  speed: 1,
  countBars: 1,
  gapBars: 0,
  circles: false,
  ...fields,
});
const struck = (events: readonly SoundEvent[]) =>
  events.flatMap((event) => (event.type === "on" ? [[event.key, Math.round(event.ms * 1e3) / 1e3]] : []));
const all = (feed: RunFeed, pieces = 100) => {
  const events: SoundEvent[] = [];
  for (let piece = 0; piece < pieces && !feed.isOver; piece++) events.push(...feed.next());
  return events;
};
const voiced = [{ part, voice: "piano" as const }];

describe("a run as it is told", () => {
  it("counts in, then tells each beat once at its time, by hand", () => {
    const feed = new RunFeed(layRun(SONG, wish()), voiced, "none");
    const told = struck(all(feed));
    expect(told.slice(0, 5)).toEqual([
      [34, 0],
      [33, 500],
      [33, 1000],
      [33, 1500],
      [40, 2000],
    ]);
    const keys = told.slice(4);
    expect(keys.map(([key]) => key)).toEqual(Array.from({ length: 36 }, (_, beat) => 40 + beat));
    expect(keys[24]).toEqual([64, 14_000]);
    expect(keys.at(-1)).toEqual([75, 25_000]);
    expect(feed.isOver).toBe(true);
  });

  it("goes round, ten minutes on as exact as at first", () => {
    const run = layRun(SONG, wish({ from: BAR, to: 3 * BAR, circles: true, countBars: 0, speed: 0.9 }));
    const told = struck(all(new RunFeed(run, voiced, "none"), 280));
    for (const [at, [key, ms]] of told.entries()) {
      expect(key).toBe(44 + (at % 8));
      expect(ms).toBeCloseTo((at * 500) / 0.9, 2);
    }
    expect(told.at(-1)![1]).toBeGreaterThan(600_000);
  });

  it("begins within, tells nothing that began before, and clicks", () => {
    const run = layRun(SONG, wish());
    const feed = new RunFeed(run, voiced, "beats", run.countMs + 2200);
    const told = struck(all(feed));
    // The fifth beat began 200 ms before.
    expect(told.slice(0, 2)).toEqual([
      [45, 300],
      [33, 300],
    ]);
    expect(told).toHaveLength(2 * 31);
  });

  it("goes on at another speed from where it is, whatever was gone round before", () => {
    const from = fc.integer({ min: 0, max: 5 });
    const speed = fc.double({ min: 0.3, max: 1.3, noNaN: true });
    const share = fc.double({ min: 0, max: 0.99, noNaN: true });
    fc.assert(
      fc.property(from, speed, speed, share, fc.nat(5), (bar, before, after, at, round) => {
        const stretch = { from: bar * BAR, to: (bar + 3) * BAR, circles: true };
        const run = layRun(SONG, wish({ ...stretch, speed: before }));
        const position = run.countMs + (round + at) * run.roundMs;
        const gone = goneOnIn(run, position, wish({ ...stretch, speed: after }));
        const share2 = (gone.from - gone.run.countMs) / gone.run.roundMs - round;
        expect(share2).toBeCloseTo(at, 3);
      }),
    );
  });
});
