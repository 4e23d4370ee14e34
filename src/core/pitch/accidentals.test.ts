import { describe, expect, it } from "vitest";
import { ACCIDENTALS, preferAccidentals } from "./accidentals";
import { alterOf, formatNoteName, parseNoteName, pitchClassOf } from "./note-name";

describe("preferAccidentals", () => {
  it.each([
    ["Bb", "sharps", "A#"],
    ["G#", "flats", "Ab"],
    ["Cb", "sharps", "B"],
    ["E#", "flats", "F"],
    ["F#", "sharps", "F#"],
    ["Eb", "key", "Eb"],
    ["D", "flats", "D"],
  ] as const)("%s with %s is %s", (name, accidentals, told) => {
    const parsed = parseNoteName(name);
    expect(parsed.ok && formatNoteName(preferAccidentals(parsed.value, accidentals))).toBe(told);
  });

  it("keeps the pitch, and never leaves the other sign", () => {
    for (let name = -15; name <= 19; name++)
      for (const accidentals of ACCIDENTALS) {
        const told = preferAccidentals(name, accidentals);
        expect(pitchClassOf(told)).toBe(pitchClassOf(name));
        if (accidentals === "sharps") expect(alterOf(told)).toBeGreaterThanOrEqual(0);
        if (accidentals === "flats") expect(alterOf(told)).toBeLessThanOrEqual(0);
      }
  });
});
