import { describe, expect, it } from "vitest";
import { canHold } from "../../../testing/fretboard/slow-search";
import { unwrap } from "../../base";
import { parseChord, pitchClassesOf, type SoundingChord, toneSemitones } from "../chord";
import { parseTuning, pitchClassOf, type Tuning } from "../pitch";
import { fingerings } from "./fingerings";

const ROOTS = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
const QUALITIES = [
  ["", "m", "7", "m7", "maj7", "sus2", "sus4", "7sus4", "add9", "6"],
  ["m6", "9", "m9", "maj9", "dim", "dim7", "m7b5", "aug", "m(add9)", "6/9"],
].flat();
const MAX_FRET = 7;

type Plain = { readonly frets: readonly (number | null)[]; readonly heard: number; readonly lowest: number };

/** Every combination of frets on a neck, three strings sounding at least: what they sound, nothing left out. */
function everyCombination(tuning: Tuning): Plain[] {
  const all: Plain[] = [];
  const frets: (number | null)[] = [];
  const choose = (string: number, heard: number, lowest: number, sounding: number): void => {
    if (string === tuning.length) {
      if (sounding >= 3) all.push({ frets: [...frets], heard, lowest });
      return;
    }
    frets[string] = null;
    choose(string + 1, heard, lowest, sounding);
    for (let fret = 0; fret <= MAX_FRET; fret++) {
      frets[string] = fret;
      const pitch = tuning[string]! + fret;
      choose(string + 1, heard | (1 << (pitch % 12)), Math.min(lowest, pitch), sounding + 1);
    }
  };
  choose(0, 0, Number.POSITIVE_INFINITY, 0);
  return all;
}

/** The 240 chords of the bench, each held against every combination of frets of a 7-fret neck. */
describe("fingerings of 240 chords on 7 frets", () => {
  it.each([["E2 A2 D3 G3 B3 E4"], ["D2 A2 D3 G3 A3 D4"], ["G4 C4 E4 A4"], ["B0 E1 A1 D2 G2"]])(
    "equal the plain search: %s",
    (text) => {
      const tuning = unwrap(parseTuning(text.split(" ")));
      const hand = { tuning, capo: 0, level: "fluent" as const };
      const bySound = new Map<number, Plain[]>();
      for (const one of everyCombination(tuning)) {
        const group = bySound.get(one.heard);
        if (group) group.push(one);
        else bySound.set(one.heard, [one]);
      }
      const holdable = new Map<string, boolean>();
      const canBeHeld = (frets: Plain["frets"]): boolean => {
        const id = frets.join();
        if (!holdable.has(id)) holdable.set(id, canHold(frets, hand));
        return holdable.get(id)!;
      };
      let shapes = 0;
      const different: string[] = [];
      for (const symbol of ROOTS.flatMap((root) => QUALITIES.map((quality) => root + quality))) {
        const chord = unwrap(parseChord(symbol)) as SoundingChord;
        const root = pitchClassOf(chord.root);
        const allowed = pitchClassesOf(chord).reduce((set, one) => set | (1 << one), 0);
        const essential = chord.essential.reduce(
          (set, tone) => set | (1 << ((root + toneSemitones(tone)) % 12)),
          0,
        );
        const plain: string[] = [];
        for (const [heard, group] of bySound) {
          if ((heard & ~allowed) !== 0 || (heard & essential) !== essential) continue;
          for (const { frets, lowest } of group)
            if (lowest % 12 === root && canBeHeld(frets)) plain.push(frets.join());
        }
        const found = fingerings(chord, { tuning, maxFret: MAX_FRET }).fingerings.map((one) =>
          one.frets.join(),
        );
        shapes += plain.length;
        if (plain.sort().join(" ") !== found.sort().join(" ")) different.push(symbol);
      }
      expect(different).toEqual([]);
      expect(shapes).toBeGreaterThan(500);
    },
  );
});
