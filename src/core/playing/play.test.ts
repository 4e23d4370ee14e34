import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { GUITAR_TUNING, parseTuning } from "../pitch";
import { readPattern } from "../rhythm";
import { type PlayEvent, play, type Strokes } from "./play";

const TUNING = (() => {
  const read = parseTuning([...GUITAR_TUNING]);
  if (!read.ok) throw new Error("a guitar is tuned");
  return read.value;
})();

const strokes = (text: string, subdivision = 2, swing = 0.5): Strokes => {
  const read = readPattern({ meter: { beats: 4, unit: 4 }, subdivision, swing, text });
  if (!read.ok) throw new Error(read.problem.code);
  return read.value;
};
const shape = (
  frets: readonly (number | null)[],
  { at = 0, beats = 4, pattern = null as Strokes | null, capo = 0 } = {},
): PlayEvent => ({ at, beats, held: { frets, tuning: TUNING, capo }, notes: [], pattern });

/** A beat is half a second. */
const msOf = (beats: number) => beats * 500;
const G = [3, 2, 0, 0, 0, 3];
const E5 = [0, 2, null, null, null, null];

describe("play", () => {
  it("strikes a shape once, from the lowest string, and lets it ring to the end of its event", () => {
    const onsets = play([shape(G)], { msOf, spreadMs: 10 });
    expect(onsets.map(({ pitch }) => pitch)).toEqual([43, 47, 50, 55, 59, 67]);
    expect(onsets.map(({ ms }) => ms)).toEqual([0, 2, 4, 6, 8, 10]);
    for (const { ms, lastsMs, velocity } of onsets) {
      expect(ms + lastsMs).toBeCloseTo(2000);
      expect(velocity).toBe(85);
    }
  });

  it("sounds higher by the capo", () => {
    expect(play([shape(E5, { capo: 3 })], { msOf }).map(({ pitch }) => pitch)).toEqual([43, 50]);
  });

  it("goes over the strings as the hand does, louder where it is accented", () => {
    const onsets = play([shape(E5, { beats: 1, pattern: strokes("D3 U1") })], { msOf, spreadMs: 10 });
    expect(onsets.map(({ ms, string, velocity, stroke }) => [ms, string, velocity, stroke])).toEqual([
      [0, 0, 110, "down"],
      [10, 1, 110, "down"],
      [250, 1, 60, "up"],
      [260, 0, 60, "up"],
    ]);
    // The second string is struck again 240 ms later, the first 260.
    expect(onsets.map(({ lastsMs }) => lastsMs)).toEqual([260, 240, 250, 240]);
  });

  it("chokes all that rings; a dead stroke is short, has no pitch, and ends what rings on its strings", () => {
    const pattern = strokes("D . - . D x . .");
    const onsets = play([shape([0, null, null, null, null, null], { pattern })], { msOf });
    expect(onsets.map(({ ms, pitch, lastsMs }) => [ms, pitch, lastsMs])).toEqual([
      [0, 40, 500],
      [1000, 40, 250],
      [1250, null, 60],
    ]);
  });

  it("lets a dead stroke leave other strings ringing", () => {
    const onsets = play(
      [
        shape([0, null, null, null, null, 0]),
        shape([null, 2, null, null, null, null], { at: 1, beats: 1, pattern: strokes("x .") }),
      ],
      { msOf, spreadMs: 0 },
    );
    expect(onsets.map(({ string, lastsMs }) => [string, lastsMs])).toEqual([
      [0, 2000],
      [5, 2000],
      [1, 60],
    ]);
  });

  it("comes round again and is cut at the end of its event", () => {
    const pattern = strokes("D . D U");
    const times = (beats: number) =>
      play([shape([0, null, null, null, null, null], { beats, pattern })], { msOf }).map(({ ms }) => ms);
    expect(times(4)).toEqual([0, 500, 750, 1000, 1500, 1750]);
    expect(times(2.5)).toEqual([0, 500, 750, 1000]);
    expect(times(0.5)).toEqual([0]);
  });

  it("swings, and counts three to a beat", () => {
    const one = [0, null, null, null, null, null];
    const times = (pattern: Strokes) =>
      play([shape(one, { beats: 1, pattern })], { msOf }).map(({ ms }) => Math.round(ms * 10) / 10);
    expect(times(strokes("D U", 2, 2 / 3))).toEqual([0, 333.3]);
    expect(times(strokes("D U D", 3))).toEqual([0, 166.7, 333.3]);
    expect(times(strokes("D U D U", 4, 0.6))).toEqual([0, 150, 250, 400]);
  });

  it("strikes keys at one moment, and rings them to the end", () => {
    const event: PlayEvent = { at: 1, beats: 2, held: null, notes: [60, 64, 67], pattern: null };
    expect(
      play([event], { msOf }).map(({ ms, pitch, lastsMs, string }) => [ms, pitch, lastsMs, string]),
    ).toEqual([
      [500, 60, 1000, null],
      [500, 64, 1000, null],
      [500, 67, 1000, null],
    ]);
  });

  it("takes no longer over the strings than half the time to what comes next", () => {
    const onsets = play([shape(G, { beats: 1, pattern: strokes("D U D U", 4) })], { msOf, spreadMs: 400 });
    expect(
      Math.max(...onsets.filter(({ stroke, ms }) => stroke === "down" && ms < 200).map(({ ms }) => ms)),
    ).toBe(62.5);
  });

  it("sounds what was struck last where two events strike one string at one moment", () => {
    const both = [shape([0, null, null, null, null, null]), shape([3, null, null, null, null, null])];
    expect(play(both, { msOf }).map(({ pitch }) => pitch)).toEqual([43]);
  });

  it("plays nothing of nothing", () => {
    expect(play([], { msOf })).toEqual([]);
    expect(
      play([shape([null, null, null, null, null, null], { pattern: strokes("D U") })], { msOf }),
    ).toEqual([]);
  });
});

describe("a law of play", () => {
  it("no string sounds twice at once, nothing before its event or after, as a slow look at every millisecond finds", () => {
    const made = fc.record({
      text: fc.array(fc.constantFrom("D", "U", "D3", "U1", "x", ".", "-"), { minLength: 8, maxLength: 8 }),
      frets: fc.array(fc.constantFrom(null, 0, 1, 2, 3), { minLength: 6, maxLength: 6 }),
      spreadMs: fc.constantFrom(0, 5, 12, 30),
      beats: fc.constantFrom(1, 2, 3.5, 4, 6),
    });
    const holds = ({
      text,
      frets,
      spreadMs,
      beats,
    }: typeof made extends fc.Arbitrary<infer Made> ? Made : never) => {
      const pattern = strokes(text.join(" "));
      const event = shape(frets, { at: 1, beats, pattern });
      const onsets = play([event], { msOf, spreadMs });
      const [from, until] = [msOf(event.at), msOf(event.at + event.beats)];
      for (let string = 0; string < 6; string++) {
        const own = onsets.filter((one) => one.string === string);
        if (frets[string] === null) expect(own).toEqual([]);
        let most = 0;
        for (let ms = from; ms < until; ms += 1)
          most = Math.max(most, own.filter((one) => one.ms <= ms && ms < one.ms + one.lastsMs - 1e-6).length);
        expect(most).toBeLessThan(2);
      }
      for (const { ms, lastsMs, pitch } of onsets) {
        expect(ms).toBeGreaterThanOrEqual(from);
        expect(ms + lastsMs).toBeLessThanOrEqual(until + 1e-6);
        if (pitch === null) expect(lastsMs).toBeLessThanOrEqual(60);
      }
      // Every stroke that is written is heard at its place, from its own first string.
      const held = frets.filter((fret) => fret !== null).length;
      if (held === 0) return;
      for (let place = 0; place < event.beats * 2; place++) {
        const { kind } = pattern.strokes[place % 8]!;
        const heard = onsets.filter(
          ({ ms }) => ms >= from + place * 250 && ms < from + place * 250 + 125 + 1e-6,
        );
        const isStruck = kind !== "ring" && kind !== "choke";
        expect(heard.length).toBe(isStruck ? held : 0);
        if (isStruck) expect(heard[0]!.ms).toBe(from + place * 250);
        if (kind === "up")
          expect(heard.map((one) => one.string)).toEqual(
            heard.map((one) => one.string).toSorted((a, b) => b! - a!),
          );
      }
    };
    fc.assert(fc.property(made, holds), { numRuns: 60 });
  });
});
