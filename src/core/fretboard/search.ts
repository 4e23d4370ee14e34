import { hasForeignBass, pitchClassesOf, type SoundingChord, toneSemitones } from "../chord";
import { pitchClassOf, type Tuning } from "../pitch";
import type { Frets, Reach } from "./hand";

export const STYLES = ["full", "power", "octave", "triad", "two-string", "shell", "bass"] as const;
export type Style = (typeof STYLES)[number];

/** Styles whose search is built; the others are refused at `style`. */
export const BUILT_STYLES: readonly Style[] = Object.freeze(["full", "bass"] as const);

/** Where and how to search. */
export type Board = {
  readonly tuning: Tuning;
  readonly capo: number;
  readonly maxFret: number;
  /** Strings that may sound. */
  readonly strings: readonly number[];
  readonly inversions: boolean;
  readonly thumb: boolean;
  readonly reach: Reach;
  /** Steps the search may still take; it stops where it is when none is left. */
  readonly steps: { left: number };
};

const FEWEST_SOUNDING = 3;
const bit = (pitchClass: number): number => 1 << pitchClass;

/** What a full shape of a chord must and may sound, as bit sets of pitch classes. */
type Sound = { readonly allowed: number; readonly essential: number; readonly lowest: number };

function soundOf(chord: SoundingChord, inversions: boolean): Sound {
  const root = pitchClassOf(chord.root);
  const allowed = pitchClassesOf(chord).reduce((set, pitchClass) => set | bit(pitchClass), 0);
  const bass = chord.bass === null ? root : pitchClassOf(chord.bass);
  let essential = chord.essential.reduce((set, tone) => set | bit((root + toneSemitones(tone)) % 12), 0);
  if (!inversions || hasForeignBass(chord)) essential |= bit(bass);
  const lowest = inversions && !hasForeignBass(chord) ? allowed : bit(bass);
  return { allowed, essential, lowest };
}

/**
 * Every set of frets that sounds a chord in full and whose frets some two fingers can span. Whether a
 * hand holds it is for the caller to ask. The array handed to `visit` is shared: copy it to keep it.
 *
 * The lowest sounding string is fixed first, so that each shape is met once and nothing below that
 * pitch is ever tried.
 */
export function eachFullShape(chord: SoundingChord, board: Board, visit: (frets: Frets) => void): void {
  const { tuning, capo, maxFret, reach } = board;
  const sound = soundOf(chord, board.inversions);
  const count = tuning.length;
  const mayPlay = tuning.map((_, string) => board.strings.includes(string));
  const frets: (number | null)[] = new Array(count).fill(null);
  const classAt = tuning.map((open) =>
    Array.from({ length: maxFret + 1 }, (_, fret) => bit((open + capo + fret) % 12)),
  );
  const fitting = tuning.map((_, string) =>
    Array.from({ length: maxFret + 1 }, (_, fret) => fret).filter(
      (fret) => classAt[string]![fret]! & sound.allowed,
    ),
  );
  const most = reach.limits.innerMutes;
  let bassString = 0;
  let bassFret = 0;
  let bassPitch = 0;
  for (bassString = 0; bassString < count; bassString++) {
    if (!mayPlay[bassString]) continue;
    for (bassFret = 0; bassFret <= maxFret; bassFret++) {
      if (!(classAt[bassString]![bassFret]! & sound.lowest)) continue;
      bassPitch = tuning[bassString]! + bassFret;
      extend(0, 0, 0, 0, 0, 0, 0, 0);
    }
  }

  /** `gap`: mutes since the last sounding string; `low`, `high`: fretted extent, 0 for none; `used`: frets in use. */
  function extend(
    string: number,
    sounding: number,
    heard: number,
    inner: number,
    gap: number,
    low: number,
    high: number,
    used: number,
  ): void {
    if (board.steps.left-- <= 0) return;
    if (string === count) {
      if (sounding >= FEWEST_SOUNDING && (heard & sound.essential) === sound.essential) visit(frets);
      return;
    }
    if (countBits(sound.essential & ~heard) > count - string) return;
    if (string === bassString) {
      place(string, bassFret, sounding, heard, inner, gap, low, high, used);
    } else {
      if (mayPlay[string]) {
        for (const fret of fitting[string]!) {
          const pitch = tuning[string]! + fret;
          if (pitch > bassPitch || (pitch === bassPitch && string > bassString)) {
            place(string, fret, sounding, heard, inner, gap, low, high, used);
          }
        }
      }
      frets[string] = null;
      const newGap = sounding > 0 ? gap + 1 : 0;
      if (string > bassString || inner + newGap <= most) {
        extend(string + 1, sounding, heard, inner, newGap, low, high, used);
      }
    }
    frets[string] = null;
  }

  function place(
    string: number,
    fret: number,
    sounding: number,
    heard: number,
    inner: number,
    gap: number,
    low: number,
    high: number,
    used: number,
  ): void {
    const damped = inner + gap;
    if (damped > most) return;
    let newLow = low;
    let newHigh = high;
    let newUsed = used;
    if (fret > 0) {
      newLow = low === 0 || fret < low ? fret : low;
      newHigh = fret > high ? fret : high;
      if (newLow !== newHigh && !reach.spans(newLow, newHigh)) return;
      newUsed |= 1 << fret;
      if (newUsed !== used && countBits(newUsed) > (board.thumb ? 5 : 4)) return;
    }
    frets[string] = fret;
    extend(string + 1, sounding + 1, heard | classAt[string]![fret]!, damped, 0, newLow, newHigh, newUsed);
  }
}

function countBits(set: number): number {
  let count = 0;
  for (let rest = set; rest !== 0; rest &= rest - 1) count++;
  return count;
}

/** Every single stopped or open string that sounds a chord's bass: its slash bass, else its root. */
export function eachBassNote(chord: SoundingChord, board: Board, visit: (frets: Frets) => void): void {
  const bass = pitchClassOf(chord.bass ?? chord.root);
  const frets: (number | null)[] = new Array(board.tuning.length).fill(null);
  for (const string of board.strings) {
    for (let fret = 0; fret <= board.maxFret; fret++) {
      if ((board.tuning[string]! + board.capo + fret) % 12 !== bass) continue;
      frets[string] = fret;
      visit(frets);
    }
    frets[string] = null;
  }
}
