import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { parseChord, pitchClassesOf, type SoundingChord, toneSemitones } from "@/core/chord";
import { type Fingering, fingerings } from "@/core/fretboard";
import { GUITAR_TUNING, parsePitch, parseTuning, pitchClassOf } from "@/core/pitch";
import guitar from "../node_modules/@tombatossals/chords-db/lib/guitar.json" with { type: "json" };

/**
 * Reference: `@tombatossals/chords-db` 0.5.1 (MIT), guitar positions of 20 common types. Frets there count from
 * `baseFret`, 0 is open and −1 not played. Its fingers are not used: they are not reliable.
 */
const QUALITY_OF_SUFFIX: Readonly<Record<string, string>> = {
  major: "",
  minor: "m",
  "7": "7",
  m7: "m7",
  maj7: "maj7",
  sus2: "sus2",
  sus4: "sus4",
  "7sus4": "7sus4",
  add9: "add9",
  "6": "6",
  m6: "m6",
  "9": "9",
  m9: "m9",
  maj9: "maj9",
  dim: "dim",
  dim7: "dim7",
  m7b5: "m7b5",
  aug: "aug",
  madd9: "m(add9)",
  "69": "6/9",
};

type Position = { frets: number[]; baseFret: number };
const tuning = unwrap(parseTuning(GUITAR_TUNING));
const chordOf = (symbol: string) => unwrap(parseChord(symbol)) as SoundingChord;

const references = Object.entries(
  guitar.chords as unknown as Record<string, { key: string; suffix: string; positions: Position[] }[]>,
).flatMap(([, list]) =>
  list.flatMap(({ key, suffix, positions }) => {
    const quality = QUALITY_OF_SUFFIX[suffix];
    if (quality === undefined) return [];
    return positions.map(({ frets, baseFret }) => ({
      symbol: key + quality,
      frets: frets.map((fret) => (fret < 0 ? null : fret === 0 ? 0 : fret + baseFret - 1)),
    }));
  }),
);

const known = new Map<string, readonly Fingering[]>();
const shapesOf = (symbol: string, inversions: boolean): readonly Fingering[] => {
  const id = `${symbol} ${inversions}`;
  const shapes = known.get(id) ?? fingerings(chordOf(symbol), { tuning, inversions }).fingerings;
  known.set(id, shapes);
  return shapes;
};

const write = ({ symbol, frets }: (typeof references)[number]) =>
  `${symbol} ${frets.map((fret) => fret ?? "x").join(".")}`;

const sounds = ({ symbol, frets }: (typeof references)[number]) => {
  const chord = chordOf(symbol);
  const heard = frets.flatMap((fret, string) => (fret === null ? [] : [tuning[string]! + fret]));
  const classes = new Set(heard.map((midi) => midi % 12));
  const root = pitchClassOf(chord.root);
  return {
    rootLowest: Math.min(...heard) % 12 === root,
    allowed: [...classes].every((one) => pitchClassesOf(chord).includes(one)),
    essential: chord.essential.every((tone) => classes.has((root + toneSemitones(tone)) % 12)),
  };
};

describe("fingerings against chords-db", () => {
  const right = references.filter((one) => sounds(one).allowed && sounds(one).essential);
  const missing = (list: typeof references, inversions: boolean) =>
    list.filter(
      (one) => !shapesOf(one.symbol, inversions).some((shape) => shape.frets.join() === one.frets.join()),
    );

  it("has 962 positions, 951 of only allowed tones, 940 of them with every essential one", () => {
    const allowed = references.filter((one) => sounds(one).allowed);
    expect([references.length, allowed.length, right.length]).toEqual([962, 951, 940]);
  });

  it("finds every one of the 695 with the root lowest", () => {
    const rooted = right.filter((one) => sounds(one).rootLowest);
    expect(rooted).toHaveLength(695);
    expect(missing(rooted, false).map(write)).toEqual([]);
  });

  it("finds every other one too when inversions are asked for", () => {
    expect(missing(right, true).map(write)).toEqual([]);
  });

  it("gives only allowed tones, in every fingering of the 20 types on every root", () => {
    let count = 0;
    const stray: string[] = [];
    for (const symbol of new Set(references.map((one) => one.symbol))) {
      const allowed = new Set(pitchClassesOf(chordOf(symbol)));
      for (const { pitches, frets } of shapesOf(symbol, true)) {
        count++;
        if (pitches.some((pitch) => !allowed.has(unwrap(parsePitch(pitch)) % 12)))
          stray.push(`${symbol} ${frets}`);
      }
    }
    expect(stray).toEqual([]);
    expect(count).toBeGreaterThan(50_000);
  });
});
