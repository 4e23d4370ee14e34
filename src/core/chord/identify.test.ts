import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { parseChord, pitchClassesOf, type SoundingChord } from "./chord";
import { identify } from "./identify";
import { QUALITIES } from "./qualities";

const names = (classes: number[], bass: number, key: string | null = null) =>
  identify(classes, bass, key === null ? null : unwrap(parseKey(key))).map((one) => one.symbol);

describe("identify", () => {
  it("calls one shape by two names until the bass decides (common practice, no source)", () => {
    expect(names([0, 4, 7, 9], 0)[0]).toBe("C6");
    expect(names([0, 4, 7, 9], 9)[0]).toBe("Am7");
    expect(names([0, 4, 7, 9], 4).slice(0, 2)).toEqual(["Am7/E", "C6/E"]);
  });

  it("says what is missing and where the bass is", () => {
    expect(identify([4, 7], 4, null)[0]).toEqual({
      symbol: "Em",
      complete: false,
      omits: ["5"],
      reading: "root in the bass",
    });
    expect(identify([4, 7], 4, null)).toContainEqual({
      symbol: "C/E",
      complete: false,
      omits: ["1"],
      reading: "third in the bass",
    });
  });

  it("spells in the key and takes chords of the key before others", () => {
    expect(names([10, 2, 5], 10, "F")[0]).toBe("Bb");
    expect(names([6, 10, 1], 6, "F#")[0]).toBe("F#");
    expect(names([6, 10, 1], 6, "Gb")[0]).toBe("Gb");
    expect(names([8, 0, 3, 6], 8, "Db")[0]).toBe("Ab7");
  });

  it("names nothing where nothing sounds", () => expect(identify([], 0, null)).toEqual([]));

  it("finds every chord of the table again from its own tones, complete", () => {
    for (const { text } of QUALITIES) {
      for (const root of ["C", "F#", "Bb"]) {
        const chord = unwrap(parseChord(root + text)) as SoundingChord;
        const classes = pitchClassesOf(chord);
        const found = identify(classes, classes[0]!, null).find((one) => one.symbol === root + text);
        expect(found, root + text).toMatchObject({ complete: true, omits: [] });
      }
    }
  });

  it("holds what sounds and misses at most one tone besides the fifth", () => {
    for (const { symbol, omits } of identify([0, 4, 10], 0, null)) {
      const classes = pitchClassesOf(unwrap(parseChord(symbol)) as SoundingChord);
      for (const one of [0, 4, 10]) expect(classes).toContain(one);
      expect(omits.filter((tone) => tone !== "5").length).toBeLessThanOrEqual(1);
    }
  });
});
