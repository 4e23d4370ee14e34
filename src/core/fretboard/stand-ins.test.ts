import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { clashesWith, parseChord, pitchClassesOf, type SoundingChord } from "../chord";
import { GUITAR_TUNING, parseKey, parsePitch, parseTuning, pitchClassOf } from "../pitch";
import { type Fingering, fingerings } from "./fingerings";
import { standIns } from "./stand-ins";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const chord = (symbol: string) => unwrap(parseChord(symbol)) as SoundingChord;
const offers = (symbol: string, key: string) =>
  standIns(chord(symbol), unwrap(parseKey(key)), { tuning, level: "beginner" });

describe("standIns", () => {
  it("call an easy shape by the chord it really is, and say what it gives up", () => {
    const all = offers("Am", "C");
    expect(all.map((one) => one.is)).toContain("A7sus4");
    expect(all.find((one) => one.is === "A7sus4")!.words).toBe(
      "A7sus4, for Am: gives up the minor third; adds the fourth and seventh",
    );
  });

  it.each([
    ["Am", "C"],
    ["F", "C"],
    ["Bm", "D"],
    ["C", "G"],
    ["Bb", "F"],
  ])("for %s in %s are easier, on its root, right in name and consonant", (symbol, key) => {
    const own = fingerings(chord(symbol), { tuning, level: "beginner", limit: 1 }).fingerings[0];
    const fingers = (one: Fingering) => one.why.find(({ term }) => term === "fingers")?.amount ?? 0;
    const all = offers(symbol, key);
    expect(all.length).toBeGreaterThan(0);
    for (const { fingering, is } of all) {
      if (own) expect(fingers(fingering)).toBeLessThanOrEqual(fingers(own));
      const heard = new Set(fingering.pitches.map((text) => unwrap(parsePitch(text)) % 12));
      expect(heard.has(pitchClassOf(chord(symbol).root))).toBe(true);
      const named = pitchClassesOf(chord(is));
      for (const one of heard) expect(named).toContain(one);
      expect(clashesWith([...heard], chord(symbol), unwrap(parseKey(key)))).toEqual([]);
    }
  });

  it("offer nothing that grates: over B7 in E the fourth lies a semitone from the third", () =>
    expect(offers("B7", "E").map((one) => one.is)).not.toContain("B7sus4"));

  it("offer nothing for no chord", () =>
    expect(standIns(unwrap(parseChord("N.C.")), unwrap(parseKey("C")), { tuning })).toEqual([]));
});
