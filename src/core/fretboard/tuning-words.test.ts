import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { BASS_TUNING, formatTuning, GUITAR_TUNING, parseTuning } from "../pitch";
import { readTuningWords } from "./tuning-words";

const guitar = unwrap(parseTuning(GUITAR_TUNING));
const bass = unwrap(parseTuning(BASS_TUNING));
const said = (text: string, usual = guitar) => {
  const read = readTuningWords(text, usual);
  return read.ok
    ? `${read.value.tuning.map((midi, string) => midi - usual[string]!).join(" ")}${read.value.unlike.length > 0 ? ` ?${read.value.unlike.join()}` : ""}`
    : read.problem.code;
};

describe("tunings as people say them, in semitones from the usual one", () => {
  it.each([
    ["half step down", "-1 -1 -1 -1 -1 -1"],
    ["Tune down a half step", "-1 -1 -1 -1 -1 -1"],
    ["a semitone lower", "-1 -1 -1 -1 -1 -1"],
    ["whole step down", "-2 -2 -2 -2 -2 -2"],
    ["one and a half steps down", "-3 -3 -3 -3 -3 -3"],
    ["half step up", "1 1 1 1 1 1"],
    ["Halbton tiefer", "-1 -1 -1 -1 -1 -1"],
    ["un demi-ton plus bas", "-1 -1 -1 -1 -1 -1"],
    ["medio tono abajo", "-1 -1 -1 -1 -1 -1"],
    ["meio tom abaixo", "-1 -1 -1 -1 -1 -1"],
    ["mezzo tono sotto", "-1 -1 -1 -1 -1 -1"],
    ["standard", "0 0 0 0 0 0"],
    ["Drop D", "-2 0 0 0 0 0"],
    ["drop C#", "-3 -1 -1 -1 -1 -1"],
    ["Drop C", "-4 -2 -2 -2 -2 -2"],
    ["E2 A2 D3 G3 B3 E4", "0 0 0 0 0 0"],
    ["Eb Ab Db Gb Bb Eb", "-1 -1 -1 -1 -1 -1"],
    ["D# G# C# F# A# D#", "-1 -1 -1 -1 -1 -1"],
    ["Es As Des Ges B Es", "-1 -1 -1 -1 0 -1 ?4"],
    ["Mib Lab Réb Solb Sib Mib", "-1 -1 -1 -1 -1 -1"],
    // From the highest string.
    ["Eb Bb Gb Db Ab Eb", "-1 -1 -1 -1 -1 -1"],
    ["D A D G B E", "-2 0 0 0 0 0 ?0"],
    ["D A D G A D", "-2 0 0 0 -2 -2"],
  ])("%s", (text, expected) => {
    const shown = said(text);
    // Every string of its own is asked about only where most move alike.
    expect(shown.replace(/ \?[\d,]+$/u, "")).toBe(expected.replace(/ \?[\d,]+$/u, ""));
    if (expected.includes("?")) expect(shown).toBe(expected);
  });

  it.each([
    ["Eb Ab Db Gb", "-1 -1 -1 -1"],
    ["Solb Réb Lab Mib", "-1 -1 -1 -1"],
    ["Drop D", "-2 0 0 0"],
    ["E A Db G", "0 0 -1 0 ?2"],
  ])("of a bass: %s", (text, expected) => expect(said(text, bass)).toBe(expected));

  it.each([
    ["Eb Ab Db", "string-count"],
    ["E A D G B ?", "not-a-pitch"],
    ["", "string-count"],
    ["E2 A2 D3 G3 B3 Q4", "not-a-pitch"],
    ["drop H", "string-count"],
  ])("%j is none", (text, code) => expect(said(text)).toBe(code));

  it("law: a tuning written with its octaves is read as it is", () => {
    const strings = fc.array(fc.integer({ min: 24, max: 76 }), { minLength: 3, maxLength: 8 });
    fc.assert(
      fc.property(strings, (tuning) => {
        expect(unwrap(readTuningWords(formatTuning(tuning).join(" "), guitar)).tuning).toEqual(tuning);
      }),
    );
  });
});
