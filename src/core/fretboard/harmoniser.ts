import type { Millimetres } from "../../base";
import {
  formatPitch,
  type Key,
  moveByDegrees,
  type NoteName,
  nameInKey,
  pitchClassOf,
  type ScaleName,
  scaleClasses,
  scaleNotes,
  type Tuning,
} from "../pitch";
import { betweenFretsMm, fretMm, GUITAR_SCALE_MM } from "./neck";

/** A harmony effect's interval: always so many semitones, or so many degrees of a key's scale (2 is a third). */
export type HarmonyInterval =
  | { readonly semitones: number }
  | { readonly degrees: number; readonly key: Key; readonly scale: ScaleName };

type PairPosition = { readonly string: number; readonly fret: number; readonly pitch: string };

/** Two strings that give a note and its harmony. */
type PairSubstitute = {
  /** The note first, then its harmony. */
  readonly positions: readonly [PairPosition, PairPosition];
  readonly stretchMm: Millimetres;
  readonly difficulty: number;
};

export type HarmoniserOptions = {
  readonly interval: HarmonyInterval;
  readonly tuning: Tuning;
  readonly capo?: number | undefined;
  readonly maxFret?: number | undefined;
  readonly scaleMm?: Millimetres | undefined;
};

export type Harmonised = {
  readonly sounding: readonly (readonly [note: string, harmony: string])[];
  readonly substitutes: readonly (readonly PairSubstitute[])[];
  /** Which substitute to take for each note; null where two strings can't give the pair. */
  readonly route: readonly (number | null)[];
  /** Millimetres the hand moves along the neck by that route. */
  readonly routeMm: Millimetres;
};

/** The widest two fretting fingers of a pair may lie apart. */
const WIDEST_MM = 98;
const round = (value: number): number => Math.round(value * 1e6) / 1e6;

/**
 * What a harmony effect would sound, and how two strings give the same by hand: every way to play each pair, easiest
 * first (difficulty = stretch mm / 20 + lowest fretted fret / 10; open strings are free), and a route that moves the
 * hand least along the neck. The hand stands at the lowest fretted fret of a pair and stays where it is for open ones.
 * @param notes MIDI pitches with their spelling
 * @example harmonise([{ midi: 62 }], { interval: { semitones: 2 }, tuning }).substitutes[0] // D4 + E4, among others B 3 and high E 0
 */
export function harmonise(
  notes: readonly { readonly midi: number; readonly name?: NoteName }[],
  options: HarmoniserOptions,
): Harmonised {
  const { interval, tuning, capo = 0, maxFret = 19, scaleMm = GUITAR_SCALE_MM } = options;
  const spelled = notes.map((note) => ({
    note: { midi: note.midi, text: formatPitch(note.midi, note.name) },
    harmony: harmonyOf(note.midi, interval),
  }));
  const board = { tuning, capo, maxFret, scaleMm };
  const substitutes = spelled.map(({ note, harmony }) => pairsOf(note, harmony, board));
  return {
    sounding: spelled.map(({ note, harmony }) => [note.text, harmony.text] as const),
    substitutes,
    ...routeThrough(substitutes, board),
  };
}

type Voice = { readonly midi: number; readonly text: string };

function harmonyOf(midi: number, interval: HarmonyInterval): Voice {
  if ("semitones" in interval) {
    const moved = midi + interval.semitones;
    return { midi: moved, text: formatPitch(moved) };
  }
  const { degrees, key, scale } = interval;
  const moved = moveByDegrees(midi, degrees, scaleClasses(key.tonic, scale));
  const own = scaleNotes(key.tonic, scale).find(({ name }) => pitchClassOf(name) === moved % 12)?.name;
  return { midi: moved, text: formatPitch(moved, own ?? nameInKey(moved % 12, key)) };
}

type Board = {
  readonly tuning: Tuning;
  readonly capo: number;
  readonly maxFret: number;
  readonly scaleMm: Millimetres;
};

function pairsOf(note: Voice, harmony: Voice, board: Board): PairSubstitute[] {
  const { tuning, capo, maxFret, scaleMm } = board;
  const placesOf = ({ midi, text }: Voice): PairPosition[] =>
    tuning.flatMap((open, string) => {
      const fret = midi - open - capo;
      return fret >= 0 && fret <= maxFret ? [{ string, fret, pitch: text }] : [];
    });
  const pairs: PairSubstitute[] = [];
  for (const low of placesOf(note)) {
    for (const high of placesOf(harmony)) {
      if (low.string === high.string) continue;
      const fretted = [low.fret, high.fret].filter((fret) => fret > 0);
      const stretchMm = fretted.length === 2 ? betweenFretsMm(low.fret, high.fret, capo, scaleMm) : 0;
      if (stretchMm > WIDEST_MM) continue;
      const lowest = fretted.length === 0 ? 0 : Math.min(...fretted);
      pairs.push({
        positions: [low, high],
        stretchMm: round(stretchMm),
        difficulty: round(stretchMm / 20 + lowest / 10),
      });
    }
  }
  return pairs.sort((a, b) => a.difficulty - b.difficulty);
}

/** Where the hand stands for a pair, mm from the nut; null when both strings are open. */
function handMm({ positions }: PairSubstitute, { capo, scaleMm }: Board): Millimetres | null {
  const fretted = positions.map(({ fret }) => fret).filter((fret) => fret > 0);
  return fretted.length === 0 ? null : fretMm(capo + Math.min(...fretted), scaleMm);
}

/** A way so far: where the hand is, how far it went, and how hard the pairs were. */
type Way = {
  readonly hand: Millimetres | null;
  readonly mm: number;
  readonly difficulty: number;
  readonly picks: readonly (number | null)[];
};

const SAME = 1e-9;

/** The route of least movement, of equal ones the easier; kept for each place the hand may be at. */
function routeThrough(
  substitutes: readonly (readonly PairSubstitute[])[],
  board: Board,
): Pick<Harmonised, "route" | "routeMm"> {
  let ways: Way[] = [{ hand: null, mm: 0, difficulty: 0, picks: [] }];
  for (const pairs of substitutes) {
    if (pairs.length === 0) {
      ways = ways.map((way) => ({ ...way, picks: [...way.picks, null] }));
      continue;
    }
    const best = new Map<Millimetres | null, Way>();
    for (const way of ways) {
      for (const [pick, pair] of pairs.entries()) {
        const at = handMm(pair, board);
        const hand = at ?? way.hand;
        const next: Way = {
          hand,
          mm: way.mm + (at === null || way.hand === null ? 0 : Math.abs(at - way.hand)),
          difficulty: way.difficulty + pair.difficulty,
          picks: [...way.picks, pick],
        };
        const known = best.get(hand);
        if (!known || isShorter(next, known)) best.set(hand, next);
      }
    }
    ways = [...best.values()];
  }
  const shortest = ways.reduce((least, way) => (isShorter(way, least) ? way : least));
  return { route: shortest.picks, routeMm: round(shortest.mm) };
}

const isShorter = (a: Way, b: Way): boolean =>
  Math.abs(a.mm - b.mm) > SAME ? a.mm < b.mm : a.difficulty < b.difficulty - SAME;
