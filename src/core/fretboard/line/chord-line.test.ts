import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { type Chord, parseChord, pitchClassesOf, type SoundingChord, toneSemitones } from "../../chord";
import { pitchClassOf } from "../../pitch";
import { CHORD_LINES, type ChordLineKind, chordLine, LINE_WEIGHTS } from "./chord-line";
import { stoppedPitch, type TabNote } from "./note";

const neck = { tuning: [40, 45, 50, 55, 59, 64], capo: 0 };
const under = (text: string, beats = 4) =>
  text.split(" ").map((symbol, at) => ({
    tick: at * beats * 960,
    ticks: beats * 960,
    chord: unwrap(parseChord(symbol)) as Chord,
  }));
const places = (notes: readonly TabNote[]) => notes.map(({ string, fret }) => `${string}:${fret}`).join(" ");
const pitchesAt = (notes: readonly TabNote[], tick: number) =>
  notes.filter((note) => note.tick === tick).map((note) => stoppedPitch(note, neck)!);

const SEMITONES: Readonly<Record<ChordLineKind, readonly number[]>> = {
  "single notes": [],
  octaves: [12],
  tenths: [15, 16],
  sixths: [8, 9],
};

describe("a line drawn up from chords", () => {
  it("moves least: C, F, G, C in single notes about fret 5 on the B string, by hand", () => {
    // Thirds and roots a step apart: E (5), F (6), G or D is two steps on, E again.
    const line = chordLine(under("C F C"), "single notes", { neck, strings: [4], about: 5 })!;
    expect(places(line.notes)).toBe("4:5 4:6 4:5");
    expect(line.tones).toEqual(["third", "root", "third"]);
    // Two steps of a semitone, a root, half a fret's wish for F.
    expect(line.cost).toBeCloseTo(2 * LINE_WEIGHTS.step + LINE_WEIGHTS.root + LINE_WEIGHTS.away, 9);
  });

  it("is tenths as hands know them: G at 3 and 4 on low E and G, Am at 5 and 5 (common practice, no source)", () => {
    const line = chordLine(under("G Am"), "tenths", { neck, strings: [0, 3], about: 3, open: false })!;
    expect(places(line.notes)).toBe("0:3 3:4 0:5 3:5");
    expect(line.tones).toEqual(["root", "root"]);
  });

  it("takes what nobody else plays", () => {
    const chords = under("C C");
    const alone = chordLine(chords, "single notes", { neck, strings: [3], about: 5 })!;
    const E = new Map([[4, 1]]);
    const G = new Map([[7, 1]]);
    const root = chordLine(chords, "single notes", {
      neck,
      strings: [3],
      about: 9,
      beside: [new Map([...E, ...G]), new Map([...E, ...G])],
    })!;
    expect(root.tones).toEqual(["root", "root"]);
    expect(alone.tones.every((tone) => tone !== null)).toBe(true);
    const third = chordLine(chords, "single notes", {
      neck,
      strings: [3],
      about: 7,
      beside: [new Map([[0, 1], ...G]), new Map([[0, 1], ...G])],
    })!;
    expect(third.tones).toEqual(["third", "third"]);
  });

  it("keeps out of the bass's way, unless it is one", () => {
    const line = chordLine(under("G C Em D"), "single notes", { neck })!;
    for (const note of line.notes) expect(stoppedPitch(note, neck)).toBeGreaterThanOrEqual(48);
    const bass = { tuning: [28, 33, 38, 43], capo: 0 };
    const own = chordLine(under("G C"), "single notes", { neck: bass, about: 3 })!;
    expect(stoppedPitch(own.notes[0]!, bass)).toBeLessThan(48);
  });

  it("rests without a chord, is struck anew where that is asked, and is none where the neck has no place", () => {
    const chords = under("C N.C. G");
    const line = chordLine(chords, "octaves", { neck, each: 960 })!;
    expect(line.tones[1]).toBeNull();
    expect(line.notes).toHaveLength(16);
    expect(line.notes.some(({ tick }) => tick >= 3840 && tick < 7680)).toBe(false);
    expect(chordLine(chords, "tenths", { neck, strings: [4, 5] })).toBeNull();
    expect(chordLine([], "octaves", { neck })).toEqual({ notes: [], tones: [], cost: 0 });
  });

  it("sounds tones of each chord alone, two of them at the interval it is named for: law", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("C", "Dm", "Em7", "F", "G/B", "Am", "Bdim", "Dsus4", "Cmaj7"), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.constantFrom(...CHORD_LINES),
        fc.constantFrom(null, 3, 7, 10),
        (symbols, kind, about) => {
          const chords = under(symbols.join(" "));
          const line = chordLine(chords, kind, { neck, about, level: "fluent" });
          if (!line) return;
          for (const { tick, chord } of chords) {
            const pitches = pitchesAt(line.notes, tick);
            const classes = pitchClassesOf(chord as SoundingChord);
            expect(pitches).toHaveLength(kind === "single notes" ? 1 : 2);
            for (const pitch of pitches) expect(classes).toContain(pitch % 12);
            if (pitches.length === 2) expect(SEMITONES[kind]).toContain(pitches[1]! - pitches[0]!);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it("costs least: a plain search over every single note finds nothing cheaper", () => {
    const TONES: readonly (readonly [string, readonly number[], number])[] = [
      ["root", [1], LINE_WEIGHTS.root],
      ["third", [2, 3, 4], 0],
      ["fifth", [5], LINE_WEIGHTS.fifth],
    ];
    for (const [text, about, heard] of [
      ["C G Am F", 5, new Map<number, number>()],
      [
        "D A Bm G",
        9,
        new Map([
          [2, 0.5],
          [9, 1],
        ]),
      ],
      [
        "Em C G D",
        3,
        new Map([
          [4, 1],
          [7, 0.25],
        ]),
      ],
    ] as const) {
      const chords = under(text);
      const strings = [2, 3, 4];
      const options = chords.map(({ chord }) => {
        const { root, tones } = chord as SoundingChord;
        const found: { string: number; fret: number; pitch: number; own: number }[] = [];
        for (const string of strings)
          for (let fret = 1; fret <= 12; fret++) {
            const pitch = neck.tuning[string]! + fret;
            for (const tone of tones)
              for (const [, degrees, says] of TONES)
                if (
                  degrees.includes(tone.degree) &&
                  (pitchClassOf(root) + toneSemitones(tone)) % 12 === pitch % 12
                )
                  found.push({
                    string,
                    fret,
                    pitch,
                    own:
                      says +
                      LINE_WEIGHTS.doubled * (heard.get(pitch % 12) ?? 0) +
                      LINE_WEIGHTS.away * Math.abs(fret - about),
                  });
          }
        return found;
      });
      let best = Number.POSITIVE_INFINITY;
      const walk = (at: number, last: (typeof options)[number][number] | null, sum: number): void => {
        if (sum >= best) return;
        if (at === options.length) {
          best = sum;
          return;
        }
        for (const one of options[at]!) {
          const step = last
            ? LINE_WEIGHTS.step * Math.abs(one.pitch - last.pitch) +
              LINE_WEIGHTS.string * Math.abs(one.string - last.string)
            : 0;
          walk(at + 1, one, sum + step + one.own);
        }
      };
      walk(0, null, 0);
      const line = chordLine(chords, "single notes", {
        neck,
        strings,
        about,
        minFret: 1,
        maxFret: 12,
        beside: chords.map(() => heard),
      })!;
      expect(line.cost).toBeCloseTo(best, 9);
    }
  });
});
