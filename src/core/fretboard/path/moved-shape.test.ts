import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { parseChord, type SoundingChord, toneSemitones } from "../../chord";
import { GUITAR_TUNING, parseTuning, pitchClassOf } from "../../pitch";
import { fingerings } from "../fingerings";
import { betweenFretsMm } from "../neck";
import { TRIAD_TONES } from "../triad-tones";
import { type MovedForm, movedShape } from "./moved-shape";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const chords = (text: string) => text.split(" ").map((one) => unwrap(parseChord(one)));
const HIGH: MovedForm = { style: "triad", strings: [3, 4, 5] };
const run = (text: string, form: MovedForm, about: number | null = null) =>
  movedShape(chords(text), form, { tuning, about, maxFret: 15 });

describe("one shape, moved", () => {
  it("is C at 9-8-8, G at 4-3-3, F at 2-1-1 on G, B and high E (common practice, no source)", () => {
    const shape = movedShape(chords("C G F"), HIGH, { tuning, about: 4, maxFret: 9 })!;
    // The third lies on the G string in all three.
    expect(shape.tone).toBe("third");
    expect(shape.path.map((one) => one!.frets.slice(3).join("-"))).toEqual(["9-8-8", "4-3-3", "2-1-1"]);
    expect(shape.frets).toEqual([8, 3, 1]);
    expect(shape.path.every((one) => one!.frets.slice(0, 3).every((fret) => fret === null))).toBe(true);
  });

  it("keeps one tone on its first string, and no string open", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("C", "G", "F", "Am", "Em", "Dm", "D", "A", "Bb", "F#m"), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.constantFrom<MovedForm>(
          HIGH,
          { style: "two-string", strings: [2, 3] },
          { style: "two-string", strings: [0, 3] },
          { style: "octave", strings: [1, 3] },
        ),
        fc.constantFrom(null, 5, 10),
        (symbols, form, about) => {
          const shape = run(symbols.join(" "), form, about)!;
          expect(TRIAD_TONES).toContain(shape.tone);
          for (const one of shape.path) expect(one!.frets.includes(0)).toBe(false);
          const travel = shape.frets
            .slice(1)
            .reduce<number>((sum, fret, at) => sum + betweenFretsMm(shape.frets[at]!, fret!, 0, 648), 0);
          expect(shape.travelMm).toBeCloseTo(travel, 2);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("travels least: a plain search over every place finds nothing shorter", () => {
    for (const text of ["C G Am F", "D A Bm G", "E B C#m A", "Em C G D"]) {
      const found = run(text, HIGH)!;
      const lists = chords(text).map(
        (chord) =>
          fingerings(chord as SoundingChord, {
            tuning,
            style: "triad",
            strings: [3, 4, 5],
            open: false,
            maxFret: 15,
          }).fingerings,
      );
      const lowest = (frets: readonly (number | null)[]) =>
        Math.min(...frets.filter((fret): fret is number => fret !== null));
      /** The tone on the G string, as semitones over the root. */
      const tone = (at: number, frets: readonly (number | null)[]) =>
        (tuning[3]! + frets[3]! - pitchClassOf((chords(text)[at] as SoundingChord).root)) % 12;
      const kind = (semitones: number) => (semitones === 0 ? "root" : semitones === 7 ? "fifth" : "third");
      let best = Number.POSITIVE_INFINITY;
      const walk = (at: number, name: string | null, last: number | null, sum: number): void => {
        if (at === lists.length) {
          best = Math.min(best, sum);
          return;
        }
        for (const { frets } of lists[at]!) {
          const own = kind(tone(at, frets));
          if (name !== null && own !== name) continue;
          const here = lowest(frets);
          walk(at + 1, own, here, sum + (last === null ? 0 : betweenFretsMm(last, here, 0, 648)));
        }
      };
      walk(0, null, null, 0);
      expect(found.travelMm).toBeCloseTo(best, 2);
    }
  });

  it("goes where it is wished", () => {
    const near = run("C F G C", HIGH, 3)!;
    const far = run("C F G C", HIGH, 12)!;
    const mean = (frets: readonly (number | null)[]) =>
      frets.reduce<number>((sum, fret) => sum + fret!, 0) / frets.length;
    expect(mean(far.frets)).toBeGreaterThan(mean(near.frets));
  });

  it("keeps about the wished fret rather than travel a little less", () => {
    // The form with the fifth on G would travel 187 mm, but take D to fret 14.
    expect(run("D A Bm G", HIGH, 7)!.frets).toEqual([10, 5, 7, 3]);
    expect(run("D A Bm G", HIGH)!.frets).toEqual([14, 9, 10, 7]);
  });

  it("keeps root and third on two strings, both tones on their strings, rather than travel a little less", () => {
    const TWO: MovedForm = { style: "two-string", strings: [2, 3] };
    for (const text of ["G D Em C", "C G Am F", "D A Bm G"]) {
      const { path } = run(text, TWO, 5)!;
      const tones = chords(text).map((chord, at) => {
        const { root, tones: own } = chord as SoundingChord;
        return [2, 3].map((string) => {
          const above = (tuning[string]! + path[at]!.frets[string]! - pitchClassOf(root) + 24) % 12;
          return own.find((tone) => toneSemitones(tone) === above)?.degree;
        });
      });
      expect(new Set(tones.map((pair) => pair.join())).size).toBe(1);
      expect([...tones[0]!].sort()).toEqual([1, 3]);
    }
  });

  it("is a tenth on low E and G for a hand that picks: both strings between stay still", () => {
    const moved = movedShape(
      chords("G Am C"),
      { style: "two-string", strings: [0, 3] },
      {
        tuning,
        about: 4,
        maxFret: 15,
        level: "steady",
        picked: true,
      },
    )!;
    expect(moved.path.map((one) => [one!.frets[0], one!.frets[3]])).toEqual([
      [3, 4],
      [5, 5],
      [8, 9],
    ]);
  });

  it("has like fingers for like shapes, those of the lowest", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("C", "G", "F", "Am", "Em", "Dm", "D", "A"), { minLength: 2, maxLength: 6 }),
        (symbols) => {
          const { path } = run(symbols.join(" "), HIGH)!;
          const fingersOf = new Map<string, string>();
          for (const one of path) {
            const lowest = Math.min(...one!.frets.filter((fret): fret is number => fret !== null));
            const form = one!.frets.map((fret) => fret && fret - lowest).join();
            expect(fingersOf.get(form) ?? one!.fingers.join()).toBe(one!.fingers.join());
            fingersOf.set(form, one!.fingers.join());
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  describe("of somebody's own", () => {
    const like = (symbol: string, frets: (number | null)[]) => ({
      frets,
      chord: unwrap(parseChord(symbol)) as SoundingChord,
    });
    const damped = like("Am7", [5, null, 5, 5, 5, null]);
    const FOUR: MovedForm = { style: "full", strings: [0, 2, 3, 4] };
    const own = (text: string, shape: ReturnType<typeof like>, form: MovedForm) =>
      movedShape(chords(text), form, { tuning, maxFret: 15, like: shape });

    it("is moved as it is: 5x555x for Am7 is 10 for Dm7 and 12 for Em7 (common practice, no source)", () => {
      const moved = own("Am7 Dm7 Em7", damped, FOUR)!;
      expect(moved.path.map((one) => one!.frets)).toEqual([
        [5, null, 5, 5, 5, null],
        [10, null, 10, 10, 10, null],
        [12, null, 12, 12, 12, null],
      ]);
      expect(new Set(moved.path.map((one) => one!.fingers.join())).size).toBe(1);
    });

    it("gives way to its like where its tones are not the chord's: the root on the same string of the same set", () => {
      const moved = own("Am7 C Dm7", damped, FOUR)!;
      expect(moved.path[1]!.frets[0]).toBe(8);
      expect(moved.path[1]!.frets[1]).toBeNull();
      expect(moved.path[1]!.frets[5]).toBeNull();
    });

    it("may be a tenth: the third keeps its kind, major or minor", () => {
      const tenth = like("G", [3, null, null, 4, null, null]);
      const moved = own("G Am C", tenth, { style: "two-string", strings: [0, 3] })!;
      expect(moved.path.map((one) => [one!.frets[0], one!.frets[3]])).toEqual([
        [3, 4],
        [5, 5],
        [8, 9],
      ]);
    });
  });

  it("rests under no chord, and is none where a chord has no place", () => {
    expect(run("C N.C. G", HIGH)!.frets[1]).toBeNull();
    expect(movedShape(chords("C"), HIGH, { tuning, maxFret: 0 })).toBeNull();
    expect(movedShape(chords("C5"), HIGH, { tuning, maxFret: 15 })).toBeNull();
    expect(movedShape([], HIGH, { tuning })).toMatchObject({ path: [], travelMm: 0 });
  });
});
