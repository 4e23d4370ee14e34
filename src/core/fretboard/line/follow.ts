import { modulo, type Semitones, type Ticks } from "../../../base";
import type { Chord } from "../../chord";
import { pitchClassOf } from "../../pitch";
import type { ChordUnder } from "./judge-line";
import { inOrder, type LineNeck, PLAIN_NOTE, type TabNote } from "./note";
import { type PlacedLine, type PlaceOptions, pitchesOfLine, placeLine } from "./place-line";

/** Chords in which a lick has no place on the neck, by index. */
export type Followed = { readonly notes: readonly TabNote[]; readonly left: readonly number[] };

/** How far a lick is moved to begin from another root: the nearer way, up where both are as far. */
const nearestMove = (from: number, to: number): Semitones => modulo(to - from + 5, 12) - 5;

/**
 * Sets a lick again on the root of each chord: moved by the way between the roots, placed by the hand, begun again
 * when its own length is over and cut where the chord ends. With `approach` each chord is led into by the note one fret
 * below its first one, in the last `approachTicks` of the chord before.
 * @param lick `home` is the chord it was written over, `neck` the neck it was written on where that is not the one it is set on
 */
export function followChords(
  lick: {
    readonly notes: readonly TabNote[];
    readonly ticks: Ticks;
    readonly home: Chord;
    readonly neck?: LineNeck;
  },
  chords: readonly ChordUnder[],
  options: PlaceOptions & { readonly approachTicks?: Ticks },
): Followed {
  const { home } = lick;
  const pitches = pitchesOfLine(lick.notes, lick.neck ?? options.neck);
  if (home.kind === "none" || !pitches) return { notes: [], left: chords.map((_, at) => at) };
  const ways = options.approachTicks ? [{ ...options, open: false }, options] : [options];
  const placeFirst = (moves: readonly Semitones[]): PlacedLine | null => {
    for (const by of moves) {
      const moved = pitches.map((pitch) => pitch + by);
      for (const way of ways) {
        const placed = placeLine(lick.notes, moved, way);
        if (placed.ok) return placed.value;
      }
    }
    return null;
  };
  const made: TabNote[] = [];
  const left: number[] = [];
  for (const [at, { chord, tick, ticks }] of chords.entries()) {
    if (chord.kind === "none") continue;
    const by = nearestMove(pitchClassOf(home.root), pitchClassOf(chord.root));
    // Where it does not fit the nearer way, the other octave may; a fret below an open string there is none.
    const placed = placeFirst([by, by + 12, by - 12]);
    if (!placed) {
      left.push(at);
      continue;
    }
    const own: TabNote[] = [];
    for (let from = tick; from < tick + ticks; from += lick.ticks)
      for (const note of placed.notes) {
        const start = from + note.tick;
        if (start >= tick + ticks) continue;
        own.push({ ...note, tick: start, ticks: Math.min(note.ticks, tick + ticks - start) });
      }
    if (options.approachTicks && at > 0) leadInto(made, own, options.approachTicks);
    made.push(...own);
  }
  return { notes: inOrder(made), left };
}

/** Puts the note one fret below the first before it, cutting what sounds there. */
function leadInto(before: TabNote[], own: readonly TabNote[], ticks: Ticks): void {
  const first = inOrder(own)[0];
  if (!first || first.fret < 1) return;
  const from = first.tick - ticks;
  for (let at = before.length - 1; at >= 0; at--) {
    const note = before[at]!;
    if (note.tick >= from) before.splice(at, 1);
    else if (note.tick + note.ticks > from) before[at] = { ...note, ticks: from - note.tick };
  }
  before.push({ ...PLAIN_NOTE, tick: from, ticks, string: first.string, fret: first.fret - 1 });
}

/** A string struck in a picking cell, in order, and how long until the next. */
export type CellStroke = { readonly tick: Ticks; readonly ticks: Ticks; readonly string: number };

/** A shape held while a cell goes round. */
export type HeldShape = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  readonly frets: readonly (number | null)[];
};

/**
 * One picking cell over shapes that move: each string struck where the shape then held stops it. A string the shape
 * does not sound is left out.
 */
export function cellOverShapes(
  cell: { readonly strokes: readonly CellStroke[]; readonly ticks: Ticks },
  shapes: readonly HeldShape[],
): TabNote[] {
  return inOrder(
    shapes.flatMap(({ tick, ticks, frets }) => {
      const notes: TabNote[] = [];
      for (let from = tick; from < tick + ticks; from += cell.ticks)
        for (const stroke of cell.strokes) {
          const [start, fret] = [from + stroke.tick, frets[stroke.string] ?? null];
          if (fret === null || start >= tick + ticks) continue;
          const length = Math.min(stroke.ticks, tick + ticks - start);
          notes.push({ ...PLAIN_NOTE, tick: start, ticks: length, string: stroke.string, fret });
        }
      return notes;
    }),
  );
}
