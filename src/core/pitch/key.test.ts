import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { formatKey, isInKey, moveKey, moveName, parseKey, plainKey, signatureOf } from "./key";
import { formatNoteName, parseNoteName, pitchClassOf } from "./note-name";

const key = (text: string) => unwrap(parseKey(text));
const moved = (note: string, from: string, to: string) =>
  formatNoteName(moveName(unwrap(parseNoteName(note)), key(from), key(to)));

describe("keys", () => {
  it.each([
    ["C", 0],
    ["A", 3],
    ["F#m", 3],
    ["Bb", -2],
    ["Ebm", -6],
    ["F#", 6],
  ])("knows the signature of %s", (text, signature) => expect(signatureOf(key(text))).toBe(signature));

  it.each(["H", "Am7", "", "m", "C dorian"])("refuses %j", (text) => expect(parseKey(text).ok).toBe(false));

  it("reads words for the mode", () => {
    expect(formatKey(key("F# minor"))).toBe("F#m");
    expect(formatKey(key("B♭ major"))).toBe("Bb");
  });

  // C shapes sound C, Db, D, Eb, E, F at capo 0 to 5 (common practice, no source).
  it("names the keys above C as players do", () => {
    expect([0, 1, 2, 3, 4, 5].map((semitones) => formatKey(moveKey(key("C"), semitones)))).toEqual([
      "C",
      "Db",
      "D",
      "Eb",
      "E",
      "F",
    ]);
  });

  it("takes F sharp or G flat by the side it comes from", () => {
    expect(formatKey(moveKey(key("A"), -3))).toBe("F#");
    expect(formatKey(moveKey(key("Ab"), -2))).toBe("Gb");
    expect(formatKey(moveKey(key("C"), 6))).toBe("F#");
    expect(formatKey(moveKey(key("Gm"), 8))).toBe("Ebm");
    expect(formatKey(moveKey(key("Em"), 11))).toBe("D#m");
  });

  it("renames keys with more than six accidentals", () => {
    expect(formatKey(plainKey(key("C#")))).toBe("Db");
    expect(formatKey(plainKey(key("Cb")))).toBe("B");
    expect(formatKey(plainKey(key("G#")))).toBe("Ab");
  });

  it("spells by the key: the dominant over its third in A is E over G sharp", () => {
    expect(moved("B", "C", "A")).toBe("G#");
    expect(moved("E#", "F#", "G")).toBe("F#");
  });

  it("keeps the tones of the key and simplifies borrowed ones", () => {
    expect(moved("B", "C", "F#")).toBe("E#");
    expect(moved("Bb", "C", "Eb")).toBe("Db");
    expect(moved("Ab", "C", "Ab")).toBe("E");
    expect(moved("G#", "A", "E")).toBe("D#");
    expect(moved("D#", "C", "E")).toBe("G");
  });

  const keys = fc
    .tuple(fc.integer({ min: -6, max: 6 }), fc.constantFrom("major" as const, "minor" as const))
    .map(([signature, mode]) => ({ tonic: mode === "minor" ? signature + 3 : signature, mode }));

  it("moving twelve times a semitone comes home (law)", () => {
    fc.assert(
      fc.property(keys, (from) => {
        let to = from;
        for (let step = 0; step < 12; step++) to = moveKey(to, 1);
        expect(pitchClassOf(to.tonic)).toBe(pitchClassOf(from.tonic));
        expect(Math.abs(signatureOf(to))).toBeLessThanOrEqual(6);
      }),
    );
  });

  it("transposing there and back changes no tone of the key (law)", () => {
    fc.assert(
      fc.property(
        keys,
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: -1, max: 5 }),
        (from, by, degree) => {
          const to = moveKey(from, by);
          const note = signatureOf(from) + degree;
          expect(isInKey(note, from)).toBe(true);
          expect(moveName(moveName(note, from, to), to, from)).toBe(note);
        },
      ),
    );
  });
});
