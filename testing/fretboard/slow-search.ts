import { hasForeignBass, pitchClassesOf, type SoundingChord, toneSemitones } from "../../src/core/chord";
import { HAND_LIMITS, type Level } from "../../src/core/fretboard/level";
import { fretMm } from "../../src/core/fretboard/neck";
import type { Style } from "../../src/core/fretboard/styles";
import { pitchClassOf, type Tuning } from "../../src/core/pitch";

/**
 * The rules of a shape in a style read straight off their sentences, as a plain search for tests: every
 * combination of frets, every way to give each fretted string a finger. Shares nothing with the fast search
 * but the tables.
 */
export function slowShapes(
  chord: SoundingChord,
  options: {
    tuning: Tuning;
    capo: number;
    maxFret: number;
    level: Level;
    inversions?: boolean;
    scaleMm?: number;
    thumb?: boolean;
    style?: Style;
  },
): string[] {
  const { tuning, maxFret } = options;
  const found: string[] = [];
  const frets: (number | null)[] = [];
  const choose = (string: number): void => {
    if (string === tuning.length) {
      if (sounds(chord, frets, options) && canHold(frets, options)) found.push(frets.join());
      return;
    }
    for (let fret = -1; fret <= maxFret; fret++) {
      frets[string] = fret < 0 ? null : fret;
      choose(string + 1);
    }
  };
  choose(0);
  return found.sort();
}

type Options = Parameters<typeof slowShapes>[1];

function sounds(
  chord: SoundingChord,
  frets: readonly (number | null)[],
  { tuning, capo, inversions = false, style = "full" }: Options,
): boolean {
  if (style !== "full") return soundsInStyle(chord, frets, { tuning, capo, inversions, style });
  const pitches = frets.flatMap((fret, string) => (fret === null ? [] : [tuning[string]! + capo + fret]));
  if (pitches.length < 3) return false;
  const heard = new Set(pitches.map((pitch) => pitch % 12));
  const root = pitchClassOf(chord.root);
  const allowed = pitchClassesOf(chord);
  if ([...heard].some((pitchClass) => !allowed.includes(pitchClass))) return false;
  if (!chord.essential.every((tone) => heard.has((root + toneSemitones(tone)) % 12))) return false;
  const lowest = Math.min(...pitches) % 12;
  const bass = pitchClassOf(chord.bass ?? chord.root);
  return (inversions && !hasForeignBass(chord)) || lowest === bass;
}

/** The rows of the table of styles, one after the other. */
function soundsInStyle(
  chord: SoundingChord,
  frets: readonly (number | null)[],
  { tuning, capo, inversions, style }: { tuning: Tuning; capo: number; inversions: boolean; style: Style },
): boolean {
  const strings = frets.flatMap((fret, string) => (fret === null ? [] : [string]));
  const pitches = strings.map((string) => tuning[string]! + capo + frets[string]!);
  if (pitches.length === 0) return false;
  const lowest = Math.min(...pitches) % 12;
  const root = pitchClassOf(chord.root);
  const bass = chord.bass === null ? null : pitchClassOf(chord.bass);
  const of = (...degrees: number[]) =>
    chord.tones
      .filter((tone) => degrees.includes(tone.degree))
      .map((tone) => (root + toneSemitones(tone)) % 12);
  const heard = pitches.map((pitch) => pitch % 12);
  const has = (classes: number[]) => classes.some((one) => heard.includes(one));
  const only = (classes: (number | null)[]) => heard.every((one) => classes.includes(one));
  const [third, fifth, seventh] = [of(2, 3, 4), of(5), of(6, 7)];
  switch (style) {
    case "bass":
      return pitches.length === 1 && lowest === (bass ?? root);
    case "single":
      return pitches.length === 1 && [root, ...third, ...fifth].includes(lowest);
    case "power":
      return (
        pitches.length > 1 &&
        has([root]) &&
        has(fifth) &&
        only([root, ...fifth]) &&
        (inversions || lowest === root)
      );
    case "octave":
      return (
        pitches.length === 2 &&
        strings[1]! - strings[0]! === 2 &&
        heard.every((one) => one === root) &&
        Math.abs(pitches[0]! - pitches[1]!) === 12
      );
    case "triad":
      return (
        strings.join() === [0, 1, 2].map((step) => strings[0]! + step).join() &&
        has([root]) &&
        has(third) &&
        has(fifth) &&
        only([root, ...third, ...fifth]) &&
        new Set(heard).size === 3
      );
    case "two-string":
      return (
        pitches.length === 2 &&
        heard[0] !== heard[1] &&
        only(chord.tones.map((tone) => (root + toneSemitones(tone)) % 12)) &&
        has([root, ...third])
      );
    case "shell": {
      const foreign = hasForeignBass(chord);
      return (
        has(third) &&
        has(seventh) &&
        only([root, bass, ...third, ...seventh]) &&
        (foreign ? lowest === bass && has([root]) : lowest === root || lowest === bass)
      );
    }
    case "full":
      return false;
  }
}

/** Tries every assignment of fingers 1 to 4 (and the thumb, 0, on the first string) to the fretted strings. */
export function canHold(frets: readonly (number | null)[], options: Omit<Options, "maxFret">): boolean {
  const limits = HAND_LIMITS[options.level];
  const sounding = frets.flatMap((fret, string) => (fret === null ? [] : [string]));
  const inside = sounding.at(-1)! - sounding[0]! + 1 - sounding.length;
  if (inside > limits.innerMutes) return false;
  const fretted = frets.flatMap((fret, string) => (fret === null || fret === 0 ? [] : [string]));
  const assigned: number[] = [];
  const assign = (index: number): boolean => {
    if (index === fretted.length) return holds(frets, fretted, assigned, options);
    for (let finger = options.thumb && fretted[index] === 0 ? 0 : 1; finger <= 4; finger++) {
      assigned[index] = finger;
      if (assign(index + 1)) return true;
    }
    return false;
  };
  return assign(0);
}

function holds(
  frets: readonly (number | null)[],
  fretted: readonly number[],
  fingers: readonly number[],
  { capo, level, scaleMm = 648 }: Omit<Options, "maxFret">,
): boolean {
  const limits = HAND_LIMITS[level];
  let barres = 0;
  for (const finger of new Set(fingers)) {
    const strings = fretted.filter((_, index) => fingers[index] === finger);
    const fret = frets[strings[0]!]!;
    if (strings.some((string) => frets[string] !== fret)) return false;
    if (strings.length === 1) continue;
    barres++;
    for (let string = strings[0]!; string <= strings.at(-1)!; string++) {
      const under = frets[string]!;
      if (under !== null && under < fret) return false;
    }
  }
  if (barres > limits.barres) return false;
  for (let a = 0; a < fretted.length; a++) {
    for (let b = 0; b < fretted.length; b++) {
      if (fingers[a]! >= fingers[b]!) continue;
      const [low, high] = [frets[fretted[a]!]!, frets[fretted[b]!]!];
      const apart = Math.abs(fretMm(capo + high, scaleMm) - fretMm(capo + low, scaleMm));
      if (fingers[a] === 0) {
        if (apart > limits.reachMm[2]) return false;
        continue;
      }
      if (low > high || (low === high && fretted[a]! > fretted[b]!)) return false;
      if (apart > limits.reachMm[fingers[b]! - fingers[a]! - 1]!) return false;
    }
  }
  return true;
}
