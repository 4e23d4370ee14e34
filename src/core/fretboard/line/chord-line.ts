import { type Midi, modulo, type Semitones, type Ticks } from "../../../base";
import { type SoundingChord, toneSemitones } from "../../chord";
import { pitchClassOf } from "../../pitch";
import { cheapestWay } from "../cheapest-way";
import { HAND_LIMITS } from "../level";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import { TRIAD_TONES, type TriadTone, tonesOf } from "../triad-tones";
import type { ChordUnder } from "./judge-line";
import { PLAIN_NOTE, stoppedPitch, type TabNote } from "./note";
import type { PlaceOptions } from "./place-line";

/** What a line drawn up from chords is made of: one note at a time, or two of a fixed kind of interval. */
export const CHORD_LINES = ["single notes", "octaves", "tenths", "sixths"] as const;
export type ChordLineKind = (typeof CHORD_LINES)[number];

/** Which tone of the chord the lower note is. */
export type LineTone = TriadTone;

export type ChordLine = {
  readonly notes: readonly TabNote[];
  /** A tone a chord; null where there is no chord. */
  readonly tones: readonly (LineTone | null)[];
  /** What was paid: see {@link LINE_WEIGHTS}. */
  readonly cost: number;
};

export type ChordLineOptions = PlaceOptions & {
  /** The fret the hand would like to be about. */
  readonly about?: number | null | undefined;
  /**
   * For each chord how much of it, 0 to 1, each pitch class already sounds elsewhere in the band; nothing when left out.
   * What others leave out is taken before what they double.
   */
  readonly beside?: readonly ReadonlyMap<number, number>[] | undefined;
  /** Ticks after which a note is struck anew under one chord; null holds it through. */
  readonly each?: Ticks | null | undefined;
};

/**
 * What a line pays, ours, no source: `step` a semitone the (upper) note moves; `doubled` a tone that others sound all through
 * the chord; `fifth` and `root` for tones that say less of the chord than its third; `away` a fret from the wished place;
 * `string` a string crossed; `low` a semitone below C3, where basses are, unless the neck is a bass itself.
 */
export const LINE_WEIGHTS = Object.freeze({
  step: 1,
  doubled: 4,
  root: 0.5,
  fifth: 1,
  away: 0.5,
  string: 0.25,
  low: 0.25,
});
const LOW: Midi = 48;
/** A neck whose lowest string lies below this is a bass. */
const BASS_BELOW: Midi = 36;

type Pairs = Exclude<ChordLineKind, "single notes">;

/** Semitones from the lower to the upper note of two. */
const INTERVALS: Readonly<Record<Pairs, readonly Semitones[]>> = Object.freeze({
  octaves: [12],
  tenths: [15, 16],
  sixths: [8, 9],
});

/** How many strings lie from the lower note's to the upper's: as hands reach for them. Common practice, no source. */
const STRINGS_UP: Readonly<Record<Pairs, readonly number[]>> = Object.freeze({
  octaves: [2, 3],
  tenths: [3],
  sixths: [2],
});

/** Up to this fret a line is drawn up where no place is wished. */
const USUAL_LAST = 12;

type Spot = { readonly string: number; readonly fret: number };
/** One way to play a chord's note or pair. */
type Way = {
  readonly tone: LineTone;
  readonly spots: readonly Spot[];
  /** The upper pitch: what is heard to move. */
  readonly top: Midi;
  readonly own: number;
};

/**
 * A line drawn up from chords: on each the root, the third (or sus) or the fifth, whichever moves least from the one before
 * and is least doubled by the band, exactly over all places within reach. Two notes are both of the chord: octaves, tenths
 * (a third over the octave), sixths. Struck once a chord, or anew after `each`.
 * @param chords in time; a place without a chord is a rest
 * @returns null where some chord has no such note on this neck
 * @example chordLine([C, Am, F, G], "tenths", { neck }).tones // => ["root", "root", …]
 */
export function chordLine(
  chords: readonly ChordUnder[],
  kind: ChordLineKind,
  options: ChordLineOptions,
): ChordLine | null {
  const { beside = [], each = null } = options;
  const sounding = chords.flatMap(({ chord }, at) => (chord.kind === "none" ? [] : [{ chord, at }]));
  const layers = sounding.map(({ chord, at }) => waysOf(chord, kind, beside[at], options));
  if (layers.some((ways) => ways.length === 0)) return null;
  const { way: ways, cost } = cheapestWay(layers, ({ own }) => own, stepCost);
  const byChord = new Map(sounding.map(({ at }, place) => [at, ways[place]!]));
  return {
    notes: chords.flatMap(({ tick, ticks }, at) => {
      const way = byChord.get(at);
      return way ? struck(way, tick, ticks, each) : [];
    }),
    tones: chords.map((_, at) => byChord.get(at)?.tone ?? null),
    cost,
  };
}

/** Every way to play a chord's note or pair, with what each costs by itself. */
function waysOf(
  chord: SoundingChord,
  kind: ChordLineKind,
  beside: ReadonlyMap<number, number> | undefined,
  options: ChordLineOptions,
): Way[] {
  const { neck } = options;
  const root = pitchClassOf(chord.root);
  const classes = chord.tones.map((tone) => modulo(root + toneSemitones(tone), 12));
  return TRIAD_TONES.flatMap((tone) =>
    tonesOf(chord, tone).flatMap((one) => {
      const pitchClass = modulo(root + toneSemitones(one), 12);
      return placesOf(pitchClass, kind, classes, options).map((spots): Way => {
        const pitches = spots.map((spot) => stoppedPitch(spot, neck)!);
        const low = Math.min(...spots.map(({ fret }) => fret));
        return { tone, spots, top: pitches.at(-1)!, own: ownCost(tone, pitches, low, beside, options) };
      });
    }),
  );
}

/** Where a tone, and the note over it, can be stopped. */
function placesOf(
  pitchClass: number,
  kind: ChordLineKind,
  classes: readonly number[],
  options: ChordLineOptions,
): Spot[][] {
  const { neck, strings, level = "steady", scaleMm = GUITAR_SCALE_MM } = options;
  const {
    minFret = 0,
    maxFret = Math.max(USUAL_LAST, (options.about ?? 0) + 4),
    open: mayOpen = true,
  } = options;
  const isOn = (string: number) => string < neck.tuning.length && (strings?.includes(string) ?? true);
  const fits = (fret: number) => fret <= maxFret && (fret === 0 ? mayOpen && minFret === 0 : fret >= minFret);
  const reach = HAND_LIMITS[level].reachMm[2];
  const found: Spot[][] = [];
  for (const [string, open] of neck.tuning.entries()) {
    if (!isOn(string)) continue;
    for (let fret = modulo(pitchClass - open - neck.capo, 12); fret <= maxFret; fret += 12) {
      if (!fits(fret)) continue;
      if (kind === "single notes") {
        found.push([{ string, fret }]);
        continue;
      }
      for (const by of STRINGS_UP[kind])
        for (const interval of INTERVALS[kind]) {
          const upper = string + by;
          if (!isOn(upper)) continue;
          const over = open + fret + interval - neck.tuning[upper]!;
          const isTone = classes.includes(modulo(open + neck.capo + fret + interval, 12));
          if (over < 0 || !fits(over) || !isTone) continue;
          const isHeld =
            over === 0 ||
            fret === 0 ||
            betweenFretsMm(Math.min(fret, over), Math.max(fret, over), neck.capo, scaleMm) <= reach;
          if (isHeld)
            found.push([
              { string, fret },
              { string: upper, fret: over },
            ]);
        }
    }
  }
  return found;
}

function ownCost(
  tone: LineTone,
  pitches: readonly Midi[],
  low: number,
  beside: ReadonlyMap<number, number> | undefined,
  { neck, about = null }: ChordLineOptions,
): number {
  const { doubled, root, fifth, away } = LINE_WEIGHTS;
  const classes = [...new Set(pitches.map((pitch) => modulo(pitch, 12)))];
  const shared = classes.reduce((sum, one) => sum + (beside?.get(one) ?? 0), 0) / classes.length;
  const says = tone === "root" ? root : tone === "fifth" ? fifth : 0;
  const isBass = Math.min(...neck.tuning) < BASS_BELOW;
  const below = isBass ? 0 : LINE_WEIGHTS.low * Math.max(0, LOW - pitches[0]!);
  return doubled * shared + says + below + (about === null ? 0 : away * Math.abs(low - about));
}

const stepCost = (from: Way, to: Way): number =>
  LINE_WEIGHTS.step * Math.abs(to.top - from.top) +
  LINE_WEIGHTS.string * Math.abs(to.spots[0]!.string - from.spots[0]!.string);

/** The notes of a way under its chord. */
function struck(way: Way, tick: Ticks, ticks: Ticks, each: Ticks | null): TabNote[] {
  const length = each ?? ticks;
  const notes: TabNote[] = [];
  for (let from = 0; from < ticks; from += length)
    for (const spot of way.spots)
      notes.push({ ...PLAIN_NOTE, ...spot, tick: tick + from, ticks: Math.min(length, ticks - from) });
  return notes;
}
