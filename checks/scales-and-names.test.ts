import { Chord, Note, Scale } from "tonal";
import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { identify, parseChord, pitchClassesOf, type SoundingChord } from "@/core/chord";
import { formatNoteName, hzOf, type ScaleName, scaleNotes } from "@/core/pitch";

/** Reference: `tonal` 6.4.3 (MIT), a general theory library. Never shipped. */
const TONICS = [-6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6];
const NAMES: readonly (readonly [ours: ScaleName, theirs: string])[] = [
  ["major", "major"],
  ["minor", "minor"],
  ["harmonic minor", "harmonic minor"],
  ["major pentatonic", "major pentatonic"],
  ["minor pentatonic", "minor pentatonic"],
  ["blues", "minor blues"],
  ["dorian", "dorian"],
  ["phrygian", "phrygian"],
  ["lydian", "lydian"],
  ["mixolydian", "mixolydian"],
  ["locrian", "locrian"],
];

describe("scales against tonal", () => {
  it("have the same notes, spelled the same, on 13 tonics", () => {
    const different: string[] = [];
    let count = 0;
    for (const tonic of TONICS) {
      for (const [ours, theirs] of NAMES) {
        const own = scaleNotes(tonic, ours).map(({ name }) => formatNoteName(name));
        const reference = Scale.get(`${formatNoteName(tonic)} ${theirs}`).notes;
        count++;
        if (own.join(" ") !== reference.join(" "))
          different.push(`${ours}: ${own.join(" ")}; ${reference.join(" ")}`);
      }
    }
    expect(different).toEqual([]);
    expect(count).toBe(143);
  });
});

describe("frequencies against tonal", () => {
  it("agree for every MIDI note", () => {
    for (let midi = 0; midi < 128; midi++) expect(hzOf(midi)).toBeCloseTo(Note.freq(Note.fromMidi(midi))!, 6);
  });
});

/** Their alias for a quality of ours, where a symbol is spelled otherwise. */
const sameChord = (theirs: string): string | null => {
  const [chord, bass] = theirs.split("/");
  const read = parseChord(`${chord!.replace(/M$/u, "").replace("M7", "maj7")}${bass ? `/${bass}` : ""}`);
  if (!read.ok || read.value.kind === "none") return null;
  return `${[...new Set(pitchClassesOf(read.value))].sort((a, b) => a - b).join()} ${read.value.root}`;
};

/** Names our table leaves out on purpose: a minor chord with a raised fifth is called by its plainer name. */
const LEFT_OUT = /m#5/u;

describe("names of what sounds against tonal", () => {
  it("include each name tonal gives that our grammar reads", () => {
    const missing: string[] = [];
    let compared = 0;
    for (const root of ["C", "D", "Eb", "F#", "A", "Bb"]) {
      for (const quality of [
        "",
        "m",
        "7",
        "m7",
        "maj7",
        "6",
        "m6",
        "9",
        "dim",
        "dim7",
        "m7b5",
        "aug",
        "sus4",
        "sus2",
      ]) {
        const chord = unwrap(parseChord(root + quality)) as SoundingChord;
        const classes = pitchClassesOf(chord);
        const notes = chord.tones.map((tone) =>
          Note.pitchClass(
            Note.fromMidi((pitchClassesOf({ ...chord, tones: [tone], bass: null })[0] ?? 0) + 60),
          ),
        );
        const ours = new Set(
          identify(classes, classes[0]!, null).map(({ symbol }) => {
            const read = unwrap(parseChord(symbol)) as SoundingChord;
            return `${[...new Set(pitchClassesOf(read))].sort((a, b) => a - b).join()} ${(((read.root * 7) % 12) + 12) % 12}`;
          }),
        );
        for (const name of Chord.detect(notes)) {
          const same = sameChord(name);
          if (same === null || LEFT_OUT.test(name)) continue;
          compared++;
          const [sounds, place] = same.split(" ");
          if (!ours.has(`${sounds} ${(((Number(place) * 7) % 12) + 12) % 12}`))
            missing.push(`${root}${quality}: ${name}`);
        }
      }
    }
    expect(missing).toEqual([]);
    expect(compared).toBeGreaterThan(80);
  });
});
