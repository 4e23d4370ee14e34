import { parseChord, pitchClassesOf } from "../chord";
import { describeList, type Fingering } from "../fretboard";
import { type Key, scaleClasses } from "../pitch";
import type { ShapePlan } from "./shape-plan";

/** A chord somebody who doesn't know the song could play each time it comes. */
export type OneChord = {
  /** As it sounds. */
  readonly symbol: string;
  readonly fingering: Fingering;
  readonly beats: number;
  /** Share of the song's beats. */
  readonly share: number;
  /** Where it comes back: the section, the bars of it in which it begins, and how that is counted. */
  readonly returns: readonly {
    readonly label: string;
    readonly bars: readonly number[];
    readonly counted: CountedChords | null;
  }[];
};

/** A chord that comes back regularly: so many-th of every so many chords. */
export type CountedChords = { readonly of: number; readonly at: readonly number[] };

/** Chords are counted in groups of so many at most. */
const MOST_COUNTED = 4;

/** What the easiest of shapes still asks: a chord that hardly comes is no help, however easy. Ours, no source. */
const EASE = 8;

/** The chords of a plan for a player who joins cold, the most useful first: much of the song for little of the hand. */
export function joinCold(plan: ShapePlan): OneChord[] {
  const all = plan.runs.reduce(
    (sum, { run }) => sum + run.events.reduce((beats, one) => beats + one.beats, 0),
    0,
  );
  const chords = new Map<string, { one: Omit<OneChord, "share">; returns: Map<string, number[]> }>();
  for (const { run, path } of plan.runs) {
    for (const [index, event] of run.events.entries()) {
      const fingering = path[index]!;
      if (fingering.pitches.length === 0) continue;
      const known = chords.get(event.symbol) ?? {
        one: { symbol: event.symbol, fingering, beats: 0, returns: [] },
        returns: new Map<string, number[]>(),
      };
      known.returns.set(event.label, [...(known.returns.get(event.label) ?? []), event.bar]);
      chords.set(event.symbol, { ...known, one: { ...known.one, beats: known.one.beats + event.beats } });
    }
  }
  const inSections = chordsBySection(plan);
  const useful = ({ beats, fingering }: Pick<OneChord, "beats" | "fingering">) =>
    beats / (EASE + fingering.difficulty);
  return [...chords.values()]
    .map(
      ({ one, returns }): OneChord => ({
        ...one,
        share: all === 0 ? 0 : one.beats / all,
        returns: [...returns].map(([label, bars]) => ({
          label,
          bars: [...new Set(bars)],
          counted: countChords(inSections.get(label) ?? [], one.symbol),
        })),
      }),
    )
    .sort((a, b) => useful(b) - useful(a));
}

/** The chords of each section in the order they come, by its label; a neighbour alike is one. */
function chordsBySection(plan: ShapePlan): ReadonlyMap<string, readonly string[]> {
  const sections = new Map<string, string[]>();
  for (const { run } of plan.runs)
    for (const { label, symbol } of run.events) sections.set(label, [...(sections.get(label) ?? []), symbol]);
  return sections;
}

/**
 * How a chord comes back among others, counted in groups: null where it comes irregularly, or only once.
 * @example countChords(["G", "D", "G", "C"], "G") // => { of: 2, at: [1] }
 */
export function countChords(chords: readonly string[], symbol: string): CountedChords | null {
  for (let of = 2; of <= Math.min(MOST_COUNTED, chords.length / 2); of++) {
    if (chords.length % of !== 0) continue;
    const at = Array.from({ length: of }, (_, place) => place).filter((place) => chords[place] === symbol);
    const isRegular = chords.every((one, index) => (one === symbol) === at.includes(index % of));
    if (isRegular && at.length > 0) return { of, at: at.map((place) => place + 1) };
  }
  return null;
}

const ORDINALS = ["first", "second", "third", "fourth"] as const;
const GROUPS = ["", "", "two", "three", "four"] as const;

/** @example tellCounted({ of: 4, at: [1, 3] }) // => "every first and third of four chords" */
export function tellCounted({ of, at }: CountedChords): string {
  const told = at.map((place) => ORDINALS[place - 1]!);
  if (of === 2) return `every other chord, from the ${told[0]}`;
  return `every ${describeList(told)} of ${GROUPS[of]} chords`;
}

/** A note that fits nearly everywhere. */
export type FittingNote = {
  readonly pitchClass: number;
  /** Share of the beats in which it is a tone of the chord. */
  readonly share: number;
  /** Share in which it rubs: a semitone beside a tone of the chord. */
  readonly rubs: number;
};

/** Beats in which a note rubs count so many times against those in which it is a tone of the chord. Ours, no source. */
const RUB = 3;
const MOST_NOTES = 3;

/**
 * The two or three notes of the key's pentatonic that fit most of a song's chords, the best first: those that never rub
 * before those that do.
 */
export function fittingNotes(plan: ShapePlan, key: Key): FittingNote[] {
  const scale = scaleClasses(key.tonic, key.mode === "minor" ? "minor pentatonic" : "major pentatonic");
  const chords = plan.runs.flatMap(({ run }) =>
    run.events.flatMap(({ symbol, beats }) => {
      const read = parseChord(symbol);
      return read.ok && read.value.kind !== "none" ? [{ classes: pitchClassesOf(read.value), beats }] : [];
    }),
  );
  const all = chords.reduce((sum, { beats }) => sum + beats, 0);
  if (all === 0) return [];
  const shareOf = (isSo: (classes: readonly number[]) => boolean) =>
    chords.reduce((sum, { classes, beats }) => sum + (isSo(classes) ? beats : 0), 0) / all;
  return scale
    .map((pitchClass): FittingNote => {
      const beside = [(pitchClass + 1) % 12, (pitchClass + 11) % 12];
      return {
        pitchClass,
        share: shareOf((classes) => classes.includes(pitchClass)),
        rubs: shareOf(
          (classes) => !classes.includes(pitchClass) && beside.some((one) => classes.includes(one)),
        ),
      };
    })
    .sort((a, b) => b.share - RUB * b.rubs - (a.share - RUB * a.rubs))
    .slice(0, MOST_NOTES);
}
