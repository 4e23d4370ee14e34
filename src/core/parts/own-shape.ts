import {
  type ChordName,
  formatTone,
  identify,
  parseChord,
  pitchClassesOf,
  type SoundingChord,
  toneSemitones,
} from "../chord";
import { type Frets, holdShape, LEVELS, type Level, pitchesOfFrets } from "../fretboard";
import { type Key, pitchClassOf } from "../pitch";
import { optionsOf, type ShapeRequest } from "./shapes";

/** What six frets somebody wrote down are, beside the chord they are meant for. */
export type OwnShape = {
  readonly frets: Frets;
  /** What it can be called, the likeliest first; none where no chord we know has these tones. */
  readonly names: readonly ChordName[];
  /** Tones of the chart's chord that do not sound: "3", "b7". */
  readonly leavesOut: readonly string[];
  /** Pitch classes that sound and are none of the chart's, from the lowest string on. */
  readonly strangers: readonly number[];
  /** Whether the chord's own bass lies lowest. */
  readonly hasBass: boolean;
  /** How the hand holds it; null where no hand of any level does. */
  readonly fingering: ReturnType<typeof holdShape>;
  /** The level a hand must have for it; null where none has. */
  readonly needs: Level | null;
};

const TOLD_NAMES = 3;

/**
 * Names a shape and holds it against the chart and the hand. Nothing is refused: what no hand holds is told.
 * @param key the sounding key; of two names the one in it comes first
 */
export function judgeOwnShape(frets: Frets, request: ShapeRequest, key: Key | null): OwnShape | null {
  const read = parseChord(request.symbol);
  if (!read.ok || read.value.kind === "none") return null;
  const chord: SoundingChord = read.value;
  const options = optionsOf(request);
  const pitches = pitchesOfFrets(frets, options.tuning, request.capo);
  if (pitches.length === 0) return null;
  const classes = [...new Set(pitches.map((pitch) => pitch % 12))];
  const lowest = Math.min(...pitches) % 12;
  const root = pitchClassOf(chord.root);
  const from = LEVELS.indexOf(request.level);
  const levels = [request.level, ...LEVELS.slice(from + 1)];
  const held = levels
    .map((level) => [level, holdShape(frets, { ...options, level })] as const)
    .find(([, fingering]) => fingering !== null);
  return {
    frets,
    names: identify(classes, lowest, key)
      .filter(({ omits }) => omits.every((tone) => tone === "5"))
      .slice(0, TOLD_NAMES),
    leavesOut: chord.tones
      .filter((tone) => !chord.free.includes(tone) && !classes.includes((root + toneSemitones(tone)) % 12))
      .map(formatTone),
    strangers: classes.filter((one) => !pitchClassesOf(chord).includes(one)),
    hasBass: lowest === pitchClassOf(chord.bass ?? chord.root),
    fingering: held?.[1] ?? null,
    needs: held?.[0] ?? null,
  };
}

const TONE_WORDS: Readonly<Record<string, string>> = Object.freeze({
  "1": "root",
  "2": "second",
  "3": "third",
  "4": "fourth",
  "5": "fifth",
  "6": "sixth",
  "7": "major seventh",
  "9": "ninth",
  "11": "eleventh",
  "13": "thirteenth",
  b3: "minor third",
  b5: "flat fifth",
  "#5": "sharp fifth",
  b7: "seventh",
  bb7: "diminished seventh",
});

/** A tone of a chord in words. @example toneWords("b7") // => "seventh" */
export const toneWords = (tone: string): string =>
  TONE_WORDS[tone] ??
  `${tone.startsWith("b") ? "flat" : "sharp"} ${TONE_WORDS[tone.slice(1)] ?? tone.slice(1)}`;
