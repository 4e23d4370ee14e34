import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { beatsOfTaps } from "./taps";

describe("changes tapped to a click", () => {
  it("go to the nearest half of a beat", () => {
    expect(beatsOfTaps({ start: 0, beat: 500, taps: [20, 1980, 3040] }, 3, 4)).toEqual([4, 2, 2]);
    expect(beatsOfTaps({ start: 1000, beat: 600, taps: [1040, 1880, 3370] }, 2, 4)).toEqual([1.5, 2.5]);
  });

  it("one before the first click is counted from where it was tapped", () => {
    expect(beatsOfTaps({ start: 0, beat: 500, taps: [-480, 0] }, 2, 4)).toEqual([1, 4]);
  });

  it("two at once are put half a beat apart, in order", () => {
    expect(beatsOfTaps({ start: 0, beat: 500, taps: [0, 1000, 1010, 2000] }, 3, 4)).toEqual([2, 0.5, 1.5]);
  });

  it("fewer taps than chords give the chords that were tapped; none gives none", () => {
    expect(beatsOfTaps({ start: 0, beat: 500, taps: [0, 1000] }, 5, 4)).toEqual([2, 2]);
    expect(beatsOfTaps({ start: 0, beat: 500, taps: [] }, 5, 4)).toEqual([]);
  });

  it("law: beats on halves come back whatever the hand's error under a quarter of a beat, and errors don't add up", () => {
    const halves = fc.array(fc.integer({ min: 1, max: 16 }), { minLength: 1, maxLength: 40 });
    const errors = fc.array(fc.double({ min: -0.24, max: 0.24, noNaN: true }), {
      minLength: 41,
      maxLength: 41,
    });
    fc.assert(
      fc.property(halves, errors, fc.integer({ min: 240, max: 1500 }), (lengths, off, beat) => {
        const beats = lengths.map((half) => half / 2);
        const places = [
          0,
          ...beats.map((_, at) => beats.slice(0, at + 1).reduce((sum, one) => sum + one, 0)),
        ];
        const taps = places.map((place, at) => 7000 + (place + off[at]!) * beat);
        expect(beatsOfTaps({ start: 7000, beat, taps }, beats.length, 4)).toEqual(beats);
      }),
    );
  });
});
