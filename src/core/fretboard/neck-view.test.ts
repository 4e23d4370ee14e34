import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { GUITAR_TUNING, parseKey, parseTuning, scaleClasses } from "../pitch";
import { boxForHand, neckPlaces, notesOfChord, notesOfScale, pentatonicBoxes } from "./neck-view";

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

describe("pentatonicBoxes (common practice, no source)", () => {
  const boxes = (name: string, capo = 0) => pentatonicBoxes(key(name), { tuning, capo });

  it("have two notes a string, at the fifth fret for A minor and C major", () => {
    for (const name of ["Am", "C"]) {
      const box = boxes(name).find(({ from }) => from === 5)!;
      expect(box.to).toBe(8);
      expect(box.places.map((one) => `${one.string}:${one.fret}`).join(" ")).toBe(
        "0:5 0:8 1:5 1:7 2:5 2:7 3:5 3:7 4:5 4:8 5:5 5:8",
      );
    }
  });

  it("are five, one from each note, up the neck", () => {
    expect(boxes("Am").map(({ from, to }) => `${from}–${to}`)).toEqual(["0–3", "2–5", "5–8", "7–10", "9–13"]);
    for (const capo of [0, 2, 5])
      for (const { from, to, places } of boxes("D", capo)) {
        expect(places).toHaveLength(12);
        expect(to - from).toBeLessThanOrEqual(4);
      }
  });

  it("follow the capo: two frets lower behind two", () => {
    expect(boxes("Am", 2).some(({ from }) => from === 3)).toBe(true);
  });

  it("suit a hand: the lowest it spans, else the narrowest", () => {
    expect(boxForHand(boxes("Am"), "fluent")?.from).toBe(0);
    const wide = boxes("Am").map((box) => ({ ...box, stretchMm: box.stretchMm + 200 }));
    expect(boxForHand(wide, "beginner")?.stretchMm).toBe(Math.min(...wide.map(({ stretchMm }) => stretchMm)));
    expect(boxForHand([], "steady")).toBeNull();
  });

  it("are none where a string can’t go on above the one before", () => {
    const apart = unwrap(parseTuning(["E5", "E2", "E2"]));
    expect(pentatonicBoxes(key("Am"), { tuning: apart, capo: 0 })).toEqual([]);
  });
});
