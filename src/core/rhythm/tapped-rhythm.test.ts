import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { rhythmOfTaps } from "./tapped-rhythm";

describe("a rhythm that is tapped", () => {
  it("is read on eighths, by hand", () => {
    expect(rhythmOfTaps([1000, 1500, 1750, 2500], 500, 4)).toEqual({
      subdivision: 2,
      pattern: "D . D U . . D .",
      onsets: 4,
    });
    expect(rhythmOfTaps([], 500, 4)).toBeNull();
    expect(rhythmOfTaps([7], 500, 2)!.pattern).toBe("D . . .");
  });

  it("takes triplets and sixteenths where they lie clearly nearer", () => {
    expect(rhythmOfTaps([0, 200, 400, 600, 800, 1000], 600, 4)!.subdivision).toBe(3);
    const sixteenths = rhythmOfTaps([0, 150, 450, 600, 750], 600, 2)!;
    expect([sixteenths.subdivision, sixteenths.pattern]).toEqual([4, "D U . U D U . ."]);
  });

  it("follows who taps a little faster than the song, and puts a second round on the first", () => {
    const quick = [0, 1, 2, 3, 4, 5, 6, 7].map((beat) => beat * 460);
    expect(rhythmOfTaps(quick, 500, 4)!.pattern).toBe("D . D . D . D .");
    expect(rhythmOfTaps([0, 500, 1000, 1500, 2000, 2500], 500, 2)!).toMatchObject({
      pattern: "D . D .",
      onsets: 2,
    });
  });

  it("law: clean eighths come back as they were, whatever the tempo and small errors", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat(15), { minLength: 3, maxLength: 10 }),
        fc.integer({ min: 60, max: 160 }),
        fc.array(fc.integer({ min: -12, max: 12 }), { minLength: 16, maxLength: 16 }),
        (chosen, bpm, errors) => {
          const places = [...new Set([0, 2, 4, ...chosen])].sort((a, b) => a - b);
          const beat = 60_000 / bpm;
          const taps = places.map((place) => (place * beat) / 2 + (place === 0 ? 0 : errors[place]!));
          const read = rhythmOfTaps(taps, beat, 8)!;
          expect(read.subdivision).toBe(2);
          const struck = read.pattern.split(" ").flatMap((token, at) => (token === "." ? [] : [at]));
          expect(struck).toEqual(places);
        },
      ),
    );
  });
});
