import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { GUITAR_TUNING, parseKey, parseTuning, scaleClasses } from "../pitch";
import { neckPlaces, notesOfChord, notesOfScale, pentatonicBox } from "./neck-view";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const key = (text: string) => unwrap(parseKey(text));

describe("neckPlaces", () => {
  it("finds every place and no other, behind a capo too", () => {
    for (const capo of [0, 3]) {
      const places = neckPlaces(notesOfScale(key("G"), "major"), { tuning, capo, frets: 12 });
      const found = new Set(places.map((one) => `${one.string} ${one.fret}`));
      const classes = scaleClasses(1, "major");
      for (let string = 0; string < 6; string++)
        for (let fret = 0; fret <= 12; fret++)
          expect(found.has(`${string} ${fret}`)).toBe(classes.includes((tuning[string]! + capo + fret) % 12));
    }
  });

  it("spells and counts in the chord", () => {
    const places = neckPlaces(notesOfChord(unwrap(parseChord("Cm"))), { tuning, capo: 0, frets: 3 });
    expect(places.find((one) => one.string === 1 && one.fret === 3)).toMatchObject({
      note: "C",
      isRoot: true,
    });
    expect(places.find((one) => one.string === 2 && one.fret === 1)).toMatchObject({
      note: "Eb",
      degree: "b3",
    });
    expect(neckPlaces(notesOfChord(unwrap(parseChord("N.C."))), { tuning, capo: 0, frets: 3 })).toEqual([]);
  });
});

describe("pentatonicBox (common practice, no source)", () => {
  it("has two notes a string, at the fifth fret for A minor and C major", () => {
    for (const name of ["Am", "C"]) {
      const { from, to, places } = pentatonicBox(key(name), { tuning, capo: 0 });
      expect([from, to]).toEqual([5, 8]);
      expect(places.map((one) => `${one.string}:${one.fret}`).join(" ")).toBe(
        "0:5 0:8 1:5 1:7 2:5 2:7 3:5 3:7 4:5 4:8 5:5 5:8",
      );
    }
  });

  it("moves down with a capo", () => expect(pentatonicBox(key("Am"), { tuning, capo: 2 }).from).toBe(3));
});
