import { Chord, Interval, Key, Note } from "tonal";
import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { moveChord, parseChord } from "@/core/chord";
import { formatKey, parseKey, plainKey } from "@/core/pitch";

/**
 * Reference: the theory library `tonal` 6.4.3 (MIT). Every seventh-free diatonic chord over its third, from each
 * of twelve keys to each of twelve: 12 × 12 × 7 = 1,008 cases. The reference transposes root and bass by the
 * interval between the tonics.
 */
const TONICS = ["C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
const cases = TONICS.flatMap((from) =>
  TONICS.flatMap((to) => Key.majorKey(from).triads.map((triad) => ({ from, to, triad }))),
);

/** The same symbol with its third in the bass. */
const overThird = (symbol: string): string => `${symbol}/${Chord.get(symbol).notes[1]}`;

const reference = (symbol: string, from: string, to: string): string => {
  const by = Interval.distance(from, to);
  const [chord, bass] = overThird(symbol).split("/");
  const quality = chord!.slice(Chord.get(chord!).tonic!.length);
  return `${Note.transpose(Chord.get(chord!).tonic!, by)}${quality}/${Note.transpose(bass!, by)}`;
};

describe("transposition against tonal", () => {
  it("has 1,008 cases", () => expect(cases).toHaveLength(1008));

  it("agrees in every one", () => {
    const wrong = cases.flatMap(({ from, to, triad }) => {
      const moved = moveChord(
        unwrap(parseChord(overThird(triad))),
        unwrap(parseKey(from)),
        unwrap(parseKey(to)),
      );
      const expected = reference(triad, from, to);
      return moved === expected
        ? []
        : [`${overThird(triad)} from ${from} to ${to}: ${moved}, tonal says ${expected}`];
    });
    expect(wrong).toEqual([]);
  });

  it("names no key with more than six accidentals", () => {
    for (const tonic of [...TONICS, "C#", "Cb", "G#", "D#"]) {
      const name = formatKey(plainKey(unwrap(parseKey(tonic))));
      expect(Math.abs(Key.majorKey(name).alteration)).toBeLessThanOrEqual(6);
      expect(Note.chroma(name)).toBe(Note.chroma(tonic));
    }
  });
});

describe("chord tones against tonal", () => {
  const QUALITIES = [
    "",
    "m",
    "7",
    "m7",
    "maj7",
    "sus2",
    "sus4",
    "7sus4",
    "add9",
    "6",
    "m6",
    "9",
    "m9",
    "maj9",
    "dim",
    "dim7",
    "m7b5",
    "aug",
  ];

  it.each(QUALITIES)("%s on every root", (quality) => {
    for (const tonic of TONICS) {
      const read = unwrap(parseChord(tonic + quality));
      if (read.kind === "none") throw new Error("Expected a chord.");
      const root = Note.chroma(tonic)!;
      const ours = read.tones
        .map((tone) => tone)
        .map(
          ({ degree, alter }) =>
            (((root + [0, 0, 2, 4, 5, 7, 9, 11, 0, 14, 0, 17, 0, 21][degree]! + alter) % 12) + 12) % 12,
        );
      expect([...ours].sort()).toEqual(
        Chord.get(tonic + quality)
          .notes.map((note) => Note.chroma(note))
          .sort(),
      );
    }
  });
});
