import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SAMPLE_ITEMS, samplePassage } from "../../../testing/stage/sample-live";
import { barOf, EMPTY_TRANSPORT, nextBeat, type Place, placeAt, type Transport } from "./place";
import type { LivePassage } from "./score";

const SONG = SAMPLE_ITEMS[0]!.passages;
const running = (more: Partial<Transport> = {}): Transport => ({
  ...EMPTY_TRANSPORT,
  itemId: "one",
  mode: "running",
  passage: "verse 0",
  at: 10_000,
  ...more,
});
const at = (now: number, transport = running(), song: readonly LivePassage[] = SONG): Place =>
  placeAt(song, transport, now)!;

describe("placeAt", () => {
  it("tells bar and beat from the time alone", () => {
    expect(at(10_000)).toMatchObject({ phase: "playing", index: 0, bar: 1, beat: 1, barsLeft: 2, next: 1 });
    expect(at(13_999)).toMatchObject({ bar: 1, beat: 4, barsLeft: 2 });
    expect(at(14_000)).toMatchObject({ bar: 2, beat: 1, barsLeft: 1 });
    expect(at(18_000)).toMatchObject({ index: 1, bar: 3, beat: 1, barsLeft: 2, next: 2 });
    expect(at(10_250).msToBeat).toBeCloseTo(750);
  });

  it("waits at a sign, and goes no further", () => {
    expect(at(25_999)).toMatchObject({ phase: "playing", bar: 4, beat: 4 });
    for (const now of [26_000, 90_000])
      expect(at(now)).toMatchObject({ phase: "sign", index: 1, tick: 7680, bar: 4, beat: 4, msToBeat: null });
  });

  it("ends after the last section, each at its own tempo", () => {
    const last = running({ passage: "verse 1" });
    expect(at(10_500, last)).toMatchObject({ bar: 5, beat: 2, next: null });
    expect(at(12_000, last)).toMatchObject({ phase: "ended", barsLeft: 0 });
  });

  it("counts in", () => {
    const counted = running({ countMs: 4000 });
    expect(at(5900, counted)).toMatchObject({ phase: "counting", count: 0 });
    expect(at(6000, counted)).toMatchObject({ phase: "counting", count: 1, index: 0 });
    expect(at(9999, counted)).toMatchObject({ count: 4 });
    expect(at(10_000, counted)).toMatchObject({ phase: "playing", count: 0, bar: 1 });
  });

  it("lasts longer when stretched, and leaves early for what comes instead", () => {
    expect(at(18_000, running({ stretch: 2 }))).toMatchObject({ bar: 2, beat: 1 });
    const leaving = running({ leave: 3840, after: "verse 1" });
    expect(at(13_000, leaving)).toMatchObject({ index: 0, barsLeft: 1, next: 2 });
    expect(at(14_100, leaving)).toMatchObject({ index: 2, bar: 5, beat: 1 });
    expect(at(14_100, running({ leave: 3840, after: "" }))).toMatchObject({ phase: "ended" });
  });

  it("stands still when held or stopped, and is nowhere in what is no song", () => {
    const held = running({ mode: "held", tick: 4000 });
    expect(at(99_000, held)).toMatchObject({ phase: "holding", bar: 2, beat: 1 });
    expect(placeAt([], running(), 0)).toBeNull();
  });

  it("goes where a plain count of beats goes", () => {
    const passage = fc.record({
      bars: fc.integer({ min: 1, max: 5 }),
      bpm: fc.constantFrom(40, 60, 75, 120, 240),
    });
    fc.assert(
      fc.property(fc.array(passage, { minLength: 1, maxLength: 6 }), fc.nat(400), (sections, beats) => {
        let firstBar = 1;
        const song = sections.map(({ bars, bpm }, index) => {
          const made = samplePassage(`s${index} 0`, bars, { bpm, firstBar });
          firstBar += bars;
          return made;
        });
        // Slowly: one beat after another, each as long as its section says.
        let now = 0;
        const slow = song.flatMap(({ bpm, bars, firstBar: first }, index) =>
          Array.from({ length: bars.length * 4 }, (_, beat) => {
            const begins = now;
            now += 60_000 / bpm;
            return { begins, index, bar: first + Math.floor(beat / 4), beat: (beat % 4) + 1 };
          }),
        );
        const wanted = slow[beats % slow.length]!;
        const { begins, ...found } = wanted;
        const clock = running({ passage: "s0 0", at: 0 });
        expect(placeAt(song, clock, begins + 1)).toMatchObject(found);
        expect(placeAt(song, clock, now + 1)!.phase).toBe("ended");
      }),
    );
  });
});

describe("bars and beats of a passage", () => {
  const pickup = samplePassage("p 0", 1, { ticks: 4800, bars: [960], firstBar: 7 });
  it("gives a pickup to the bar before", () => {
    expect(barOf(pickup, 0)).toMatchObject({ bar: 6, beat: 4 });
    expect(barOf(pickup, 960)).toMatchObject({ bar: 7, beat: 1 });
  });
  it("finds the next beat, which may be a bar line", () => {
    expect(nextBeat(pickup, 10)).toBe(960);
    expect(nextBeat(pickup, 960)).toBe(960);
    expect(nextBeat(pickup, 961)).toBe(1920);
    expect(nextBeat(samplePassage("o 0", 2, { bars: [0, 1440] }), 1000)).toBe(1440);
  });
});
