import type { Fret, Midi, Ticks } from "../../../base";
import { type Tempo, tempoMs } from "../../rhythm";
import { HAND_LIMITS, type Level } from "../level";
import { betweenFretsMm, GUITAR_SCALE_MM, LAST_FRET } from "../neck";
import { inOrder, type LineNeck, stoppedPitch, type TabNote } from "./note";

/** A line on a neck with what it asks of the hand. */
export type PlacedLine = {
  readonly notes: readonly TabNote[];
  /** Less is easier. */
  readonly effort: number;
  /** Millimetres the hand moves along the neck in all. */
  readonly travelMm: number;
  /** The widest stretch held or reached without moving, mm. */
  readonly stretchMm: number;
  readonly lowestFret: Fret;
  readonly highestFret: Fret;
};

export type PlaceOptions = {
  readonly neck: LineNeck;
  readonly scaleMm?: number;
  /** Strings it keeps to; all when left out. */
  readonly strings?: readonly number[];
  readonly minFret?: Fret;
  readonly maxFret?: Fret;
  readonly level?: Level;
  /** Where the hand stands, the index finger's fret, if it is to stay there. */
  readonly position?: Fret;
  /** Whether open strings may be used; they may when left out. */
  readonly open?: boolean;
};

export type PlaceProblem =
  | { readonly code: "unreachable"; readonly note: number; readonly pitch: Midi }
  | { readonly code: "too-many"; readonly note: number };

/** What the hand pays; ours, no source. A mm along the neck, a string crossed, a fret up the neck, a stretch. */
const PER_MM = 0.02;
const PER_STRING = 0.15;
const PER_FRET_UP = 0.02;
const OPEN_STRING = 0.1;
/** A hand in one place reaches so many frets without moving. */
const REACH_FRETS = 4;

/** A moment of a line: the notes struck together. */
type Moment = { readonly tick: Ticks; readonly notes: readonly number[] };
type Spot = { readonly string: number; readonly fret: Fret };
/** A way to play a moment, with where the hand's index finger then stands (null: only open strings). */
type Stand = { readonly spots: readonly Spot[]; readonly hand: Fret | null; readonly cost: number };

/** Ways to play one moment that are looked at. */
const MOST_STANDS = 64;

/**
 * Sets pitches on a neck by the hand's shortest way: exact over the ways looked at (all of them for single notes), by
 * dynamic programming over where the hand stands. Pitches, times and ways of playing stay as they are; notes joined
 * by a hammer-on, pull-off or slide stay on one string.
 * @returns the line on the neck, or the first note with no place
 */
export function placeLine(
  notes: readonly TabNote[],
  pitches: readonly Midi[],
  options: PlaceOptions,
):
  | { readonly ok: true; readonly value: PlacedLine }
  | { readonly ok: false; readonly problem: PlaceProblem } {
  const order = inOrder(notes.map((note, at) => ({ ...note, at })));
  const moments: Moment[] = [];
  for (const { tick, at } of order) {
    const last = moments.at(-1);
    if (last?.tick === tick) moments[moments.length - 1] = { tick, notes: [...last.notes, at] };
    else moments.push({ tick, notes: [at] });
  }
  if (moments.length === 0) return { ok: true, value: measured([], options) };
  const spots = pitches.map((pitch) => spotsOf(pitch, options));
  const none = spots.findIndex((own) => own.length === 0);
  if (none >= 0) return { ok: false, problem: { code: "unreachable", note: none, pitch: pitches[none]! } };
  const stands = moments.map((moment) => standsOf(moment, spots, notes, options));
  const stuck = stands.findIndex((own) => own.length === 0);
  if (stuck >= 0) return { ok: false, problem: { code: "too-many", note: moments[stuck]!.notes[0]! } };
  const joined = joinedTo(
    notes,
    order.map(({ at }) => at),
  );
  const way = cheapest(moments, stands, joined, options);
  const placed = notes.map((note) => ({ ...note }));
  for (const [index, stand] of way.entries())
    for (const [place, at] of moments[index]!.notes.entries())
      placed[at] = { ...placed[at]!, ...stand.spots[place]! };
  return { ok: true, value: measured(placed, options) };
}

function spotsOf(pitch: Midi, options: PlaceOptions): Spot[] {
  const { neck, strings, minFret = 0, maxFret = LAST_FRET, open: mayOpen = true } = options;
  return neck.tuning.flatMap((open, string) => {
    const fret = pitch - open - neck.capo;
    const on = strings === undefined || strings.includes(string);
    const fits = fret >= 0 && fret + neck.capo <= LAST_FRET && fret <= maxFret;
    // An open string needs no hand, wherever it stands.
    return on && fits && (fret === 0 ? mayOpen : fret >= minFret) ? [{ string, fret }] : [];
  });
}

/** All ways to play what is struck together on strings of its own, within the hand's stretch. */
function standsOf(
  moment: Moment,
  spots: readonly (readonly Spot[])[],
  notes: readonly TabNote[],
  options: PlaceOptions,
): Stand[] {
  let ways: Spot[][] = [[]];
  for (const note of moment.notes)
    ways = ways.flatMap((way) =>
      spots[note]!.filter((spot) => !way.some((one) => one.string === spot.string)).map((spot) => [
        ...way,
        spot,
      ]),
    );
  const found = ways.flatMap((way): Stand[] => {
    const fretted = way.filter(({ fret }) => fret > 0).map(({ fret }) => fret);
    if (fretted.length === 0) return [{ spots: way, hand: null, cost: OPEN_STRING * way.length }];
    const [low, high] = [Math.min(...fretted), Math.max(...fretted)];
    if (stretch(low, high, options) > HAND_LIMITS[options.level ?? "fluent"].reachMm[2]) return [];
    const bent = moment.notes.some((at, place) => notes[at]!.bend > 0 && way[place]!.fret === 0);
    if (bent) return [];
    const cost = PER_FRET_UP * low + PER_MM * stretch(low, high, options);
    // Any finger may take the note: the index stands on it, or up to three frets below.
    const least = Math.max(1, high - REACH_FRETS + 1);
    return Array.from({ length: low - least + 1 }, (_, at) => ({ spots: way, hand: least + at, cost }));
  });
  return found.sort((a, b) => a.cost - b.cost).slice(0, MOST_STANDS * REACH_FRETS);
}

const stretch = (a: Fret, b: Fret, { neck, scaleMm = GUITAR_SCALE_MM }: PlaceOptions): number =>
  betweenFretsMm(a, b, neck.capo, scaleMm);

/** By note: the note before it on which it hangs (hammer-on, pull-off, slide). */
function joinedTo(notes: readonly TabNote[], order: readonly number[]): ReadonlyMap<number, number> {
  const joined = new Map<number, number>();
  const last = new Map<number, number>();
  for (const at of order) {
    const note = notes[at]!;
    const before = last.get(note.string);
    if (before !== undefined && (note.art === "hammer" || note.art === "pull" || note.art === "slide"))
      joined.set(at, before);
    last.set(note.string, at);
  }
  return joined;
}

/** What going from one stand to another costs. */
function moveCost(from: Stand, to: Stand, options: PlaceOptions): number {
  const shift =
    from.hand === null || to.hand === null || from.hand === to.hand
      ? 0
      : 0.3 + PER_MM * stretch(from.hand, to.hand, options);
  const crossed = Math.abs(from.spots[0]!.string - to.spots[0]!.string);
  return shift + PER_STRING * crossed;
}

function cheapest(
  moments: readonly Moment[],
  stands: readonly (readonly Stand[])[],
  joined: ReadonlyMap<number, number>,
  options: PlaceOptions,
): Stand[] {
  const { position } = options;
  const own = (stand: Stand) =>
    stand.cost + (position === undefined || stand.hand === null ? 0 : 0.2 * Math.abs(stand.hand - position));
  let costs = stands[0]!.map(own);
  const froms: number[][] = [];
  for (let index = 1; index < moments.length; index++) {
    const [before, after] = [stands[index - 1]!, stands[index]!];
    const from: number[] = [];
    costs = after.map((to, at) => {
      let [best, source] = [Number.POSITIVE_INFINITY, 0];
      for (const [place, one] of before.entries()) {
        const cost = costs[place]! + moveCost(one, to, options);
        if (cost >= best) continue;
        const apart = moments[index]!.notes.some((note, spot) => {
          const earlier = joined.get(note);
          const where = earlier === undefined ? -1 : moments[index - 1]!.notes.indexOf(earlier);
          return where >= 0 && one.spots[where]!.string !== to.spots[spot]!.string;
        });
        // Torn apart only where there is no other way: a joined note that must change strings costs a lot.
        const whole = cost + (apart ? 100 : 0);
        if (whole < best) [best, source] = [whole, place];
      }
      from[at] = source;
      return best + own(to);
    });
    froms.push(from);
  }
  let at = costs.reduce((least, cost, index) => (cost < costs[least]! ? index : least), 0);
  const way = [stands.at(-1)![at]!];
  for (let index = moments.length - 2; index >= 0; index--) {
    at = froms[index]![at]!;
    way.unshift(stands[index]![at]!);
  }
  return way;
}

/** What a line on a neck asks of the hand, as it stands. */
export function measured(notes: readonly TabNote[], options: PlaceOptions): PlacedLine {
  const fretted = notes.filter(({ fret }) => fret > 0).map(({ fret }) => fret);
  const ordered = inOrder(notes);
  let [effort, travelMm, stretchMm] = [0, 0, 0];
  let hand: Fret | null = null;
  let [low, high] = [0, 0];
  let string: number | null = null;
  for (const note of ordered) {
    if (string !== null) effort += PER_STRING * Math.abs(note.string - string);
    string = note.string;
    if (note.fret === 0) {
      effort += OPEN_STRING;
      continue;
    }
    effort += PER_FRET_UP * note.fret;
    if (hand === null) [hand, low, high] = [note.fret, note.fret, note.fret];
    const [nextLow, nextHigh] = [Math.min(low, note.fret), Math.max(high, note.fret)];
    if (nextHigh - nextLow < REACH_FRETS) {
      [low, high] = [nextLow, nextHigh];
      stretchMm = Math.max(stretchMm, stretch(low, high, options));
      continue;
    }
    const moved = stretch(note.fret > high ? high : low, note.fret, options);
    travelMm += moved;
    effort += 0.3 + PER_MM * moved;
    [hand, low, high] = [note.fret, note.fret, note.fret];
  }
  return {
    notes,
    effort,
    travelMm,
    stretchMm,
    lowestFret: fretted.length === 0 ? 0 : Math.min(...fretted),
    highestFret: fretted.length === 0 ? 0 : Math.max(...fretted),
  };
}

/** The stopped pitches of a line, or the first note on a string the neck doesn't have. */
export function pitchesOfLine(notes: readonly TabNote[], neck: LineNeck): readonly Midi[] | null {
  const pitches = notes.map((note) => stoppedPitch(note, neck));
  return pitches.every((pitch) => pitch !== null) ? (pitches as Midi[]) : null;
}

/** One way to play a line somewhere else on the neck, at the same pitch. */
export type Placing = PlacedLine & {
  readonly strings: readonly number[];
  /** The fret the index finger is asked to stay at, or null where the hand is free. */
  readonly position: Fret | null;
};

/** Where on the neck offers are looked for. */
const POSITIONS = [1, 3, 5, 7, 9, 12] as const;

/**
 * Other ways to play a line at the same pitch on a neck, which may be tuned otherwise or have another capo: on every
 * set of neighbouring strings and around several frets; ranked by the hand, each way once.
 */
export function placings(
  notes: readonly TabNote[],
  from: LineNeck,
  options: PlaceOptions,
  limit = 8,
): readonly Placing[] {
  const pitches = pitchesOfLine(notes, from);
  if (!pitches) return [];
  const count = options.neck.tuning.length;
  const sets = Array.from({ length: count }, (_, size) => size + 1).flatMap((size) =>
    Array.from({ length: count - size + 1 }, (_, first) =>
      Array.from({ length: size }, (__, at) => first + at),
    ),
  );
  const found = new Map<string, Placing>();
  for (const strings of sets)
    for (const position of [null, ...POSITIONS]) {
      const placed = placeLine(notes, pitches, {
        ...options,
        strings,
        ...(position === null ? {} : { position, minFret: position, maxFret: position + 5 }),
      });
      if (!placed.ok) continue;
      const key = placed.value.notes.map(({ string, fret }) => `${string}:${fret}`).join(" ");
      if (!found.has(key)) found.set(key, { ...placed.value, strings, position });
    }
  return [...found.values()].sort((a, b) => a.effort - b.effort).slice(0, limit);
}

/** Milliseconds between the quickest two notes after one another; null with fewer than two. */
export function quickestMs(notes: readonly TabNote[], tempo: Tempo): number | null {
  const ticks = [...new Set(notes.map(({ tick }) => tick))].sort((a, b) => a - b);
  const gaps = ticks.slice(1).map((tick, at) => tick - ticks[at]!);
  return gaps.length === 0 ? null : tempoMs(Math.min(...gaps), tempo);
}
