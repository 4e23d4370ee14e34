import { parseChord, pitchClassesOf } from "../chord";
import { describeList, type Fingering } from "../fretboard";
import { type Key, scaleClasses } from "../pitch";
import { barsIn, type Passage } from "../song/read";
import type { ShapePlan } from "./shape-plan";

/** A chord somebody who doesn't know the song could play each time it comes. */
export type OneChord = {
  /** As it sounds. */
  readonly symbol: string;
  readonly fingering: Fingering;
  readonly beats: number;
  /** Share of the song's beats. */
  readonly share: number;
};

/** The chords of one time through a section as they sound, in the order they come; a neighbour alike is one. */
export type SungChords = readonly { readonly symbol: string /** From 1. */; readonly bar: number }[];

/** A chord that comes back regularly: so many-th of every so many chords. */
export type CountedChords = { readonly of: number; readonly at: readonly number[] };

/** Chords are counted in groups of so many at most. */
const MOST_COUNTED = 4;

/** What the easiest of shapes still asks: a chord that hardly comes is no help, however easy. Ours, no source. */
const EASE = 4;

/** The chords of a passage as they sound, with the bars they are written in. @param soundsAs how a written symbol sounds there */
export function sungChords(passage: Passage, soundsAs: (symbol: string) => string): SungChords {
  const bars = barsIn(passage);
  const all = passage.lines.flatMap(({ outline, events }) =>
    outline.chords.flatMap(({ chord }, at) => {
      const { tick, ticks, early, late } = events[at]!;
      const bar = Math.max(1, bars.findLastIndex((one) => one.tick <= tick + early - late) + 1);
      return ticks > 0 ? [{ symbol: soundsAs(chord.symbol), bar }] : [];
    }),
  );
  return all.filter(({ symbol }, at) => at === 0 || all[at - 1]!.symbol !== symbol);
}

/** When a chord comes back in a section: the bars it begins in, and how that is counted; null where it doesn't come. */
export function comesBack(
  chords: SungChords,
  symbol: string,
): { readonly bars: readonly number[]; readonly counted: CountedChords | null } | null {
  const bars = chords.flatMap((chord) => (chord.symbol === symbol ? [chord.bar] : []));
  if (bars.length === 0) return null;
  return {
    bars: [...new Set(bars)],
    counted: countChords(
      chords.map((chord) => chord.symbol),
      symbol,
    ),
  };
}

/**
 * The chords of a plan for a player who joins cold, the most useful first: much of the song, in many of its sections, for little
 * of the hand.
 * @param sections what is played each time through a section; where they are not given all chords count as coming everywhere
 */
export function joinCold(plan: ShapePlan, sections: readonly SungChords[] = []): OneChord[] {
  const all = plan.runs.reduce(
    (sum, { run }) => sum + run.events.reduce((beats, one) => beats + one.beats, 0),
    0,
  );
  const chords = new Map<string, Omit<OneChord, "share">>();
  for (const { run, path } of plan.runs) {
    for (const [index, { symbol, beats }] of run.events.entries()) {
      const fingering = path[index]!;
      if (fingering.pitches.length === 0) continue;
      const known = chords.get(symbol) ?? { symbol, fingering, beats: 0 };
      chords.set(symbol, { ...known, beats: known.beats + beats });
    }
  }
  // A chord that comes in every section is worth more than one that leaves out whole sections.
  const comesIn = (symbol: string) =>
    sections.length === 0
      ? 1
      : sections.filter((one) => one.some((chord) => chord.symbol === symbol)).length / sections.length;
  const useful = ({ symbol, beats, fingering }: OneChord) =>
    (beats * Math.sqrt(comesIn(symbol))) / (EASE + fingering.difficulty);
  return [...chords.values()]
    .map((one): OneChord => ({ ...one, share: all === 0 ? 0 : one.beats / all }))
    .sort((a, b) => useful(b) - useful(a));
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
  if (told.length === 1) return `every ${of === 2 ? "other" : ORDINALS[of - 1]} chord, from the ${told[0]}`;
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
