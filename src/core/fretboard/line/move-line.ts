import type { Fret, Midi, Semitones, Ticks } from "../../../base";
import { betweenFretsMm, GUITAR_SCALE_MM, HIGHEST_CAPO, LAST_FRET } from "../neck";
import type { LineNeck, TabNote } from "./note";

/** How a line that is moved is played: on its own strings, fingered anew, or as it was behind another capo. */
export type LineWayName = "same strings" | "re-fingered" | "capo";

/** What of a note is looked at when it is moved; everything else of it is kept. */
export type Movable = { readonly tick: Ticks; readonly string: number; readonly fret: Fret } & Partial<
  Pick<TabNote, "art" | "bend">
>;

/** A note of a way; `fret` is null where no string has its pitch any more. */
type MovedNote<Note extends Movable> = Omit<Note, "fret"> & { readonly fret: Fret | null };

/** One way to play a line somewhere else. */
export type LineWay<Note extends Movable> = {
  readonly how: LineWayName;
  /** The new capo, from the nut, where that is the way. */
  readonly capo?: number;
  /** In the order they were given. */
  readonly notes: readonly MovedNote<Note>[];
  /** Millimetres along the neck between fretted notes, one after the other; open strings are free. */
  readonly travelMm: number;
  /** Notes that have no place, by index. */
  readonly lost: readonly number[];
};

/** Where a line goes: from the neck it is written for to the one it is played on, so many semitones away. */
export type LineMove = {
  readonly from: LineNeck;
  readonly to: LineNeck;
  readonly by: Semitones;
  /** Counted from the capo; as far as the neck goes, and 19 at most, when left out. */
  readonly maxFret?: Fret;
  readonly scaleMm?: number;
};

const DEFAULT_MAX_FRET = 19;

/**
 * A line so many semitones away: on the same strings, unless an open string or the end of the neck forbids it; then fingered
 * anew with the least travel along the neck, exactly; and, on strings tuned alike, as it was behind another capo. Every note
 * keeps its pitch asked for, and all else that is said of it. Dead notes stay where they are. Notes struck together take
 * strings of their own; one that is hammered on, pulled off or slid to stays on the string of the one before, if it can.
 * @returns the ways that there are, in that order; a way that loses notes says which
 * @example moveLine(notes, { from: neck, to: neck, by: 2 })[0]!.how // => "same strings"
 */
export function moveLine<Note extends Movable>(notes: readonly Note[], move: LineMove): LineWay<Note>[] {
  const pitches = notes.map((note): Midi | null => {
    const open = move.from.tuning[note.string];
    return note.art === "dead" || open === undefined ? null : open + move.from.capo + note.fret + move.by;
  });
  const same = onSameStrings(notes, pitches, move);
  const capo = behindCapo(notes, move);
  return [same ?? refingered(notes, pitches, move), ...(capo ? [capo] : [])];
}

const limitOf = ({ to, maxFret }: LineMove): Fret =>
  maxFret ?? Math.min(DEFAULT_MAX_FRET, LAST_FRET - to.capo);

/** Millimetres along the neck, fretted note by fretted note in time. */
function travelOf(
  notes: readonly { readonly tick: Ticks; readonly fret: Fret | null; readonly art?: TabNote["art"] }[],
  capo: number,
  scaleMm: number = GUITAR_SCALE_MM,
): number {
  let last: Fret | null = null;
  let travel = 0;
  for (const { fret, art } of [...notes].sort((a, b) => a.tick - b.tick)) {
    if (fret === null || fret === 0 || art === "dead") continue;
    if (last !== null) travel += betweenFretsMm(last, fret, capo, scaleMm);
    last = fret;
  }
  return travel;
}

function onSameStrings<Note extends Movable>(
  notes: readonly Note[],
  pitches: readonly (Midi | null)[],
  move: LineMove,
): LineWay<Note> | null {
  const limit = limitOf(move);
  const moved: Note[] = [];
  for (const [at, note] of notes.entries()) {
    const [pitch, open] = [pitches[at]!, move.to.tuning[note.string]];
    if (open === undefined) return null;
    if (pitch === null) {
      moved.push(note);
      continue;
    }
    const fret = pitch - open - move.to.capo;
    // A string that rang open would have to be held: another hand.
    if (fret < 0 || fret > limit || (note.fret === 0 && fret > 0) || (fret === 0 && (note.bend ?? 0) > 0))
      return null;
    moved.push({ ...note, fret });
  }
  return {
    how: "same strings",
    notes: moved,
    travelMm: travelOf(moved, move.to.capo, move.scaleMm),
    lost: [],
  };
}

/** The line as it is written, behind the capo that makes it sound so; null where strings are tuned otherwise, or no capo does. */
function behindCapo<Note extends Movable>(notes: readonly Note[], move: LineMove): LineWay<Note> | null {
  const { from, to, by } = move;
  const apart = new Set(
    notes.map(({ string }) => (from.tuning[string] ?? 0) - (to.tuning[string] ?? Number.NaN)),
  );
  const [only] = apart;
  if (apart.size !== 1 || only === undefined || Number.isNaN(only)) return null;
  const capo = from.capo + by + only;
  const isNew = capo !== to.capo && capo >= 0 && capo <= HIGHEST_CAPO;
  if (!isNew || notes.some(({ fret }) => fret + capo > LAST_FRET)) return null;
  return { how: "capo", capo, notes, travelMm: travelOf(notes, capo, move.scaleMm), lost: [] };
}

/** What a fingering has cost so far; less is better, in this order. */
type Cost = { readonly lost: number; readonly torn: number; readonly travel: number; readonly frets: number };
type Step = Cost & {
  readonly string: number | null;
  readonly fret: Fret | null;
  /** The step of the note before. */
  readonly from: Step | null;
  /** The fret held last; null for none yet. */
  readonly last: Fret | null;
  /** Strings taken by what is struck together, as bits. */
  readonly taken: number;
};

const EQUAL_MM = 1e-9;

function isBetter(a: Cost, b: Cost): boolean {
  if (a.lost !== b.lost) return a.lost < b.lost;
  if (a.torn !== b.torn) return a.torn < b.torn;
  if (Math.abs(a.travel - b.travel) > EQUAL_MM) return a.travel < b.travel;
  return a.frets < b.frets;
}

/**
 * The fingering with the fewest notes lost, then with joined notes on one string, then with the least travel: by dynamic
 * programming over the fret held last, the strings taken at one moment and the string a note hangs on: all that the next note
 * depends on.
 */
function refingered<Note extends Movable>(
  notes: readonly Note[],
  pitches: readonly (Midi | null)[],
  move: LineMove,
): LineWay<Note> {
  const { to, scaleMm = GUITAR_SCALE_MM } = move;
  const limit = limitOf(move);
  const order = notes.map((_, at) => at).sort((a, b) => notes[a]!.tick - notes[b]!.tick || a - b);
  const start: Step = {
    lost: 0,
    torn: 0,
    travel: 0,
    frets: 0,
    string: null,
    fret: null,
    from: null,
    last: null,
    taken: 0,
  };
  let steps: Step[] = [start];
  for (const [place, at] of order.entries()) {
    const note = notes[at]!;
    const before = order[place - 1];
    const next = order[place + 1];
    const isTogether = before !== undefined && notes[before]!.tick === note.tick;
    const isJoined = before !== undefined && hangsOn(note, notes[before]!);
    // Of a note only that is told apart which the next one depends on.
    const keepsTaken = next !== undefined && notes[next]!.tick === note.tick;
    const keepsString = next !== undefined && hangsOn(notes[next]!, note);
    const spots = spotsFor(note, pitches[at]!, to, limit);
    const best = new Map<string, Step>();
    const offer = (step: Step) => {
      const key = `${step.last} ${keepsTaken ? step.taken : ""} ${keepsString ? step.string : ""}`;
      const known = best.get(key);
      if (!known || isBetter(step, known)) best.set(key, step);
    };
    for (const one of steps) {
      const taken = isTogether ? one.taken : 0;
      for (const { string, fret } of spots) {
        if ((taken & (1 << string)) !== 0) continue;
        const isHeld = fret > 0 && pitches[at] !== null;
        offer({
          lost: one.lost,
          torn: one.torn + (isJoined && one.string !== string ? 1 : 0),
          travel:
            one.travel + (isHeld && one.last !== null ? betweenFretsMm(one.last, fret, to.capo, scaleMm) : 0),
          frets: one.frets + fret,
          string,
          fret,
          from: one,
          last: isHeld ? fret : one.last,
          taken: taken | (1 << string),
        });
      }
      offer({ ...one, lost: one.lost + 1, string: null, fret: null, from: one, taken });
    }
    // Between two moments every way has the same notes before it: one that has lost more can't catch up.
    const fewest = Math.min(...[...best.values()].map(({ lost }) => lost));
    steps = [...best.values()].filter(({ lost }) => keepsTaken || lost === fewest);
  }
  const moved: MovedNote<Note>[] = notes.map((note) => ({ ...note, fret: null }));
  let step: Step | null = steps.reduce((least, one) => (isBetter(one, least) ? one : least));
  const travelMm = step.travel;
  for (const at of order.toReversed()) {
    if (step?.fret != null && step.string !== null)
      moved[at] = { ...notes[at]!, string: step.string, fret: step.fret };
    step = step?.from ?? null;
  }
  return {
    how: "re-fingered",
    notes: moved,
    travelMm,
    lost: moved.flatMap(({ fret }, at) => (fret === null ? [at] : [])),
  };
}

/** Whether a note is hammered on, pulled off or slid to from another. */
const hangsOn = (note: Movable, before: Movable): boolean =>
  before.string === note.string && (note.art === "hammer" || note.art === "pull" || note.art === "slide");

/** Where a note can be; a dead one only where it is. */
function spotsFor(
  note: Movable,
  pitch: Midi | null,
  { tuning, capo }: LineNeck,
  limit: Fret,
): { readonly string: number; readonly fret: Fret }[] {
  if (pitch === null) return note.string < tuning.length ? [{ string: note.string, fret: note.fret }] : [];
  return tuning.flatMap((open, string) => {
    const fret = pitch - open - capo;
    const isThere = fret >= 0 && fret <= limit && !(fret === 0 && (note.bend ?? 0) > 0);
    return isThere ? [{ string, fret }] : [];
  });
}
