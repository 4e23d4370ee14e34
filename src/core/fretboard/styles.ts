import { hasForeignBass, pitchClassesOf, type SoundingChord, type Tone, toneSemitones } from "../chord";
import { pitchClassOf } from "../pitch";
import { type Board, bit, eachShape, fretsOf, type Wanted } from "./fingering-search";
import type { Frets } from "./hand";

export const STYLES = ["full", "power", "octave", "triad", "two-string", "shell", "single", "bass"] as const;
export type Style = (typeof STYLES)[number];

const FEWEST_IN_FULL = 3;

type Visit = (frets: Frets) => void;

/**
 * Every set of frets that sounds a chord in a style and whose frets some two fingers can span. Triads and
 * two-string shapes leave a slash bass to whoever plays it; a power chord has its root and fifth only.
 */
export function eachShapeInStyle(chord: SoundingChord, style: Style, board: Board, visit: Visit): void {
  const search = SEARCHES[style];
  search(chord, board, visit);
}

const SEARCHES: Readonly<Record<Style, (chord: SoundingChord, board: Board, visit: Visit) => void>> =
  Object.freeze({
    full: (chord, board, visit) => eachShape(wantedInFull(chord, board.inversions), board, visit),
    power: eachPower,
    octave: eachOctave,
    triad: eachTriad,
    "two-string": eachTwoString,
    shell: eachShell,
    single: eachSingle,
    bass: eachBassNote,
  });

const setOf = (chord: SoundingChord, tones: readonly Tone[]): number => {
  const root = pitchClassOf(chord.root);
  return tones.reduce((set, tone) => set | bit((root + toneSemitones(tone)) % 12), 0);
};

/** The tones of some degrees as a set; 0 when the chord has none. */
const degrees = (chord: SoundingChord, ...wanted: readonly number[]): number =>
  setOf(
    chord,
    chord.tones.filter((tone) => wanted.includes(tone.degree)),
  );

const thirdOf = (chord: SoundingChord): number => degrees(chord, 2, 3, 4);
const rootOf = (chord: SoundingChord): number => bit(pitchClassOf(chord.root));

function wantedInFull(chord: SoundingChord, inversions: boolean): Wanted {
  const allowed = pitchClassesOf(chord).reduce((set, pitchClass) => set | bit(pitchClass), 0);
  const bass = bit(pitchClassOf(chord.bass ?? chord.root));
  const foreign = hasForeignBass(chord);
  const free = inversions && !foreign;
  const essential = setOf(chord, chord.essential) | (free ? 0 : bass) | (foreign ? rootOf(chord) : 0);
  return { allowed, essential, anyOf: [], lowest: free ? allowed : bass, fewest: FEWEST_IN_FULL };
}

function eachPower(chord: SoundingChord, board: Board, visit: Visit): void {
  const [root, fifth] = [rootOf(chord), degrees(chord, 5)];
  if (fifth === 0) return;
  const allowed = root | fifth;
  const lowest = board.inversions ? allowed : root;
  eachShape({ allowed, essential: root, anyOf: [fifth], lowest, fewest: 2 }, board, visit);
}

/** Root or bass, third and seventh (or sixth), and nothing else. */
function eachShell(chord: SoundingChord, board: Board, visit: Visit): void {
  const [third, seventh] = [thirdOf(chord), degrees(chord, 6, 7)];
  if (third === 0 || seventh === 0) return;
  const bass = chord.bass === null ? 0 : bit(pitchClassOf(chord.bass));
  const foreign = hasForeignBass(chord);
  const lowest = foreign ? bass : rootOf(chord) | bass;
  const allowed = rootOf(chord) | bass | third | seventh;
  const essential = foreign ? bass | rootOf(chord) : 0;
  eachShape({ allowed, essential, anyOf: [third, seventh], lowest, fewest: 2 }, board, visit);
}

/** Calls `visit` with every pair or run of frets on some strings that two fingers can span. */
function eachOn(
  board: Board,
  strings: readonly number[],
  fits: (pitchClass: number, fret: number, string: number) => boolean,
  visit: Visit,
): void {
  if (!strings.every((string) => board.strings.includes(string))) return;
  const frets: (number | null)[] = new Array(board.tuning.length).fill(null);
  const every = fretsOf(board);
  const place = (at: number, low: number, high: number): void => {
    if (at === strings.length) {
      visit(frets);
      return;
    }
    const string = strings[at]!;
    for (const fret of every) {
      if (board.steps.left-- <= 0) return;
      if (!fits((board.tuning[string]! + board.capo + fret) % 12, fret, string)) continue;
      const newLow = fret > 0 && (low === 0 || fret < low) ? fret : low;
      const newHigh = Math.max(high, fret);
      if (newLow !== newHigh && !board.reach.spans(newLow, newHigh)) continue;
      frets[string] = fret;
      place(at + 1, newLow, newHigh);
      frets[string] = null;
    }
  };
  place(0, 0, 0);
}

const heardOf = (frets: Frets, board: Board): number =>
  frets.reduce<number>(
    (set, fret, string) =>
      fret === null ? set : set | bit((board.tuning[string]! + board.capo + fret) % 12),
    0,
  );

/** Root, third (or sus) and fifth once each, on three neighbouring strings. */
function eachTriad(chord: SoundingChord, board: Board, visit: Visit): void {
  const parts = [rootOf(chord), thirdOf(chord), degrees(chord, 5)];
  if (parts.some((part) => part === 0)) return;
  const allowed = parts.reduce((set, part) => set | part, 0);
  for (let low = 0; low + 2 < board.tuning.length; low++) {
    eachOn(
      board,
      [low, low + 1, low + 2],
      (pitchClass) => Boolean(allowed & bit(pitchClass)),
      (frets) => {
        const heard = heardOf(frets, board);
        if (parts.every((part) => heard & part)) visit(frets);
      },
    );
  }
}

/** Two different tones on two strings, one of them the third (or sus) or the root. */
function eachTwoString(chord: SoundingChord, board: Board, visit: Visit): void {
  const allowed = setOf(chord, chord.tones);
  const telling = rootOf(chord) | thirdOf(chord);
  for (let low = 0; low < board.tuning.length; low++) {
    for (let high = low + 1; high < board.tuning.length; high++) {
      if (high - low - 1 > board.reach.limits.innerMutes) continue;
      eachOn(
        board,
        [low, high],
        (pitchClass) => Boolean(allowed & bit(pitchClass)),
        (frets) => {
          const heard = heardOf(frets, board);
          if ((heard & (heard - 1)) !== 0 && heard & telling) visit(frets);
        },
      );
    }
  }
}

/** The root twice, an octave apart, with one damped string between. */
function eachOctave(chord: SoundingChord, board: Board, visit: Visit): void {
  if (board.reach.limits.innerMutes < 1) return;
  const root = rootOf(chord);
  for (let low = 0; low + 2 < board.tuning.length; low++) {
    eachOn(
      board,
      [low, low + 2],
      (pitchClass) => Boolean(root & bit(pitchClass)),
      (frets) => {
        const apart = board.tuning[low + 2]! + frets[low + 2]! - board.tuning[low]! - frets[low]!;
        if (Math.abs(apart) === 12) visit(frets);
      },
    );
  }
}

/** One string with the root, the third (or sus) or the fifth: a note a chord, for a line that follows it. */
function eachSingle(chord: SoundingChord, board: Board, visit: Visit): void {
  const wanted = rootOf(chord) | thirdOf(chord) | degrees(chord, 5);
  for (const string of board.strings)
    eachOn(board, [string], (pitchClass) => Boolean(wanted & bit(pitchClass)), visit);
}

/** Every single stopped or open string that sounds a chord's bass: its slash bass, else its root. */
function eachBassNote(chord: SoundingChord, board: Board, visit: Visit): void {
  const bass = pitchClassOf(chord.bass ?? chord.root);
  for (const string of board.strings) eachOn(board, [string], (pitchClass) => pitchClass === bass, visit);
}
