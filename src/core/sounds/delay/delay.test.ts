import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DELAY_NOTES, delayMs, longestNote, tappedMs, tempoOfDelay } from ".";

/** One quarter at a tempo lasts 60000/bpm ms; dotted is one and a half, a triplet's two thirds: worked out by hand. */
const TABLE: readonly (readonly [bpm: number, note: string, ms: number])[] = [
  [60, "1/4", 1000],
  [60, "1/8", 500],
  [60, "1/8.", 750],
  [72, "1/4", 833.3333],
  [72, "1/8.", 625],
  [80, "1/8", 375],
  [80, "1/8.", 562.5],
  [80, "1/8t", 250],
  [92, "1/4", 652.1739],
  [92, "1/8.", 489.1304],
  [100, "1/4", 600],
  [100, "1/4.", 900],
  [100, "1/4t", 400],
  [120, "1/2", 1000],
  [120, "1/8.", 375],
  [120, "1/16", 125],
  [140, "1/8", 214.2857],
  [150, "1/4", 400],
];

describe("delay times", () => {
  it.each(TABLE)("at %i beats a minute a %s lasts %f ms", (bpm, note, ms) => {
    expect(delayMs(bpm, "1/4", note)).toBeCloseTo(ms, 3);
    expect(tempoOfDelay(ms, "1/4", note)).toBeCloseTo(bpm, 3);
  });

  it("counts beats of the stated unit: a dotted quarter at 60 is an eighth of a third of a second", () => {
    expect(delayMs(60, "1/4.", "1/4.")).toBeCloseTo(1000);
    expect(delayMs(60, "1/4.", "1/8")).toBeCloseTo(1000 / 3);
  });

  it("is undone by its reverse", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.constantFrom(...DELAY_NOTES),
        (bpm, note) => {
          expect(tempoOfDelay(delayMs(bpm, "1/4.", note), "1/4.", note)).toBeCloseTo(bpm, 6);
        },
      ),
    );
  });

  it("lists its notes from long to short and finds the longest a box can give", () => {
    const lengths = DELAY_NOTES.map((note) => delayMs(100, "1/4", note));
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
    expect(longestNote(120, "1/4", 400)).toBe("1/8.");
    expect(longestNote(120, "1/4", 375)).toBe("1/8.");
    expect(longestNote(60, "1/4", 100)).toBeNull();
  });

  it("takes the mean of the taps since the last pause", () => {
    expect(tappedMs([0])).toBeNull();
    expect(tappedMs([0, 500, 1010, 1500])).toBe(500);
    expect(tappedMs([0, 500, 9000, 9400])).toBe(400);
  });
});
