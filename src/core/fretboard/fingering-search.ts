import { countBits } from "../../base";
import type { Tuning } from "../pitch";
import type { Frets, Reach } from "./hand";

/** Where and how to search. */
export type Board = {
  readonly tuning: Tuning;
  readonly capo: number;
  /** Fretted notes lie from here on; it marks off a region of the neck. */
  readonly minFret: number;
  readonly maxFret: number;
  /** Whether open strings may sound. */
  readonly open: boolean;
  /** Strings that may sound. */
  readonly strings: readonly number[];
  readonly inversions: boolean;
  readonly thumb: boolean;
  readonly reach: Reach;
  /** Steps the search may still take; it stops where it is when none is left. */
  readonly steps: { left: number };
};

/** What a shape must and may sound, as bit sets of pitch classes. */
export type Wanted = {
  readonly allowed: number;
  /** All of these sound. */
  readonly essential: number;
  /** Of each set at least one sounds. */
  readonly anyOf: readonly number[];
  /** What the lowest pitch may be. */
  readonly lowest: number;
  readonly fewest: number;
};

export const bit = (pitchClass: number): number => 1 << pitchClass;

/** The frets a string may be played at: the region, and the open string where it may sound. */
export const fretsOf = (board: Pick<Board, "minFret" | "maxFret" | "open">): number[] =>
  Array.from({ length: board.maxFret + 1 }, (_, fret) => fret).filter((fret) =>
    fret === 0 ? board.open : fret >= board.minFret,
  );

/**
 * Every set of frets that sounds what is wanted and whose frets some two fingers can span. Whether a
 * hand holds it is for the caller to ask. The array handed to `visit` is shared: copy it to keep it.
 *
 * The lowest sounding string is fixed first, so that each shape is met once and nothing below that
 * pitch is ever tried.
 */
export function eachShape(wanted: Wanted, board: Board, visit: (frets: Frets) => void): void {
  const { tuning, capo, maxFret, reach } = board;
  const { allowed, essential, anyOf, lowest, fewest } = wanted;
  const every = fretsOf(board);
  const count = tuning.length;
  const mayPlay = tuning.map((_, string) => board.strings.includes(string));
  const frets: (number | null)[] = new Array(count).fill(null);
  const classAt = tuning.map((open) =>
    Array.from({ length: maxFret + 1 }, (_, fret) => bit((open + capo + fret) % 12)),
  );
  const fitting = tuning.map((_, string) => every.filter((fret) => classAt[string]![fret]! & allowed));
  const most = reach.limits.innerMutes;
  let bassString = 0;
  let bassFret = 0;
  let bassPitch = 0;
  for (bassString = 0; bassString < count; bassString++) {
    if (!mayPlay[bassString]) continue;
    for (bassFret of fitting[bassString]!) {
      if (!(classAt[bassString]![bassFret]! & lowest)) continue;
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
      if (sounding >= fewest && (heard & essential) === essential && anyOf.every((set) => heard & set))
        visit(frets);
      return;
    }
    if (countBits(essential & ~heard) > count - string) return;
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
