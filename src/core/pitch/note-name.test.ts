import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import {
  alterOf,
  formatNoteName,
  nameOfPitchClass,
  parseNoteName,
  pitchClassOf,
  semitonesUp,
  simplerName,
} from "./note-name";

const name = (text: string) => unwrap(parseNoteName(text));

describe("note names", () => {
  it.each([
    ["F", -1, 5],
    ["C", 0, 0],
    ["B", 5, 11],
    ["F#", 6, 6],
    ["Bb", -2, 10],
    ["Cb", -7, 11],
    ["E#", 11, 5],
    ["F##", 13, 7],
    ["Bbb", -9, 9],
  ])("places %s at %i on the line of fifths", (text, place, pitchClass) => {
    expect(name(text)).toBe(place);
    expect(pitchClassOf(place)).toBe(pitchClass);
    expect(formatNoteName(place)).toBe(text);
  });

  it("reads printed accidentals", () => {
    expect(name("B♭")).toBe(name("Bb"));
    expect(name("F♯")).toBe(name("F#"));
  });

  it.each(["", "H", "b", "Cm", "C#b", "c"])("refuses %j", (text) => {
    expect(parseNoteName(text)).toEqual({ ok: false, problem: { code: "not-a-note-name", text } });
  });

  it("writes and reads back every place (law)", () => {
    fc.assert(
      fc.property(fc.integer({ min: -15, max: 19 }), (place) => name(formatNoteName(place)) === place),
    );
  });

  it("keeps the pitch and needs at most one accidental when simplified (law)", () => {
    fc.assert(
      fc.property(fc.integer({ min: -30, max: 30 }), (place) => {
        const simple = simplerName(place);
        expect(pitchClassOf(simple)).toBe(pitchClassOf(place));
        expect(Math.abs(alterOf(simple))).toBeLessThanOrEqual(1);
        expect(["Cb", "Fb", "E#", "B#"]).not.toContain(formatNoteName(simple));
      }),
    );
  });

  it("counts semitones upwards", () => {
    expect(semitonesUp(name("A"), name("C#"))).toBe(4);
    expect(semitonesUp(name("C#"), name("A"))).toBe(8);
  });

  it("names a pitch class near a place", () => {
    expect(formatNoteName(nameOfPitchClass(10))).toBe("Bb");
    expect(formatNoteName(nameOfPitchClass(6))).toBe("F#");
    expect(formatNoteName(nameOfPitchClass(6, -6))).toBe("Gb");
  });
});
