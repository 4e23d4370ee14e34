import type { Level } from "../fretboard";

/** What of a part must be learned, by kind. */
const LOAD_KINDS = ["sections", "shapes", "changes", "patterns", "lines", "exceptions", "presses"] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];

/** What one player must learn of a song. */
export type ToLearn = {
  /** Different sections, and exceptions in them. */
  readonly sections: number;
  readonly exceptions: number;
  /** Different shapes by how hard they are to hold, and different changes by what they cost the hand. */
  readonly shapes: readonly number[];
  readonly changes: readonly number[];
  /** Different patterns, by strokes in a bar. */
  readonly patterns: readonly number[];
  /** Different lines, by their notes. */
  readonly lines: readonly number[];
  /** Presses of pedals that change something. */
  readonly presses: number;
};

/** What it takes to learn things of one kind: how many there are, and the minutes. */
type LoadItem = { readonly kind: LoadKind; readonly count: number; readonly minutes: number };

/** How long a player needs to learn a song, minutes: likely between the two. */
export type Load = { readonly items: readonly LoadItem[]; readonly low: number; readonly high: number };

/**
 * Minutes a thing takes a steady hand, ours, no source; docs/fit.md tells them. A shape and a change cost by how hard they are:
 * what is easy costs nothing.
 */
const LOAD = Object.freeze({
  section: 0.75,
  exception: 0.5,
  /** Above `easyShape` each point of difficulty, at most `mostShape`. */
  shape: 0.6,
  easyShape: 2,
  mostShape: 6,
  /** Above `easyChange` each point of cost, at most `mostChange`. */
  change: 0.4,
  easyChange: 3,
  mostChange: 5,
  pattern: 1.5,
  /** Each stroke of a bar above four. */
  stroke: 0.25,
  /** Each note of a line. */
  note: 0.2,
  press: 0.4,
  /** What lies between the likely least and most. */
  low: 0.7,
  high: 1.6,
});

/** How much longer a hand of some level takes. Ours, no source. */
const BY_LEVEL: Readonly<Record<Level, number>> = Object.freeze({ beginner: 1.8, steady: 1, fluent: 0.55 });

const sum = (list: readonly number[]): number => list.reduce((all, one) => all + one, 0);
const above = (easy: number, by: number, most: number) => (hard: number) =>
  Math.min(most, Math.max(0, hard - easy) * by);
const tenths = (minutes: number): number => Math.round(minutes * 10) / 10;

/**
 * How long a player needs to learn a song, by its parts.
 * @param known how much of what is estimated this player really needed for other songs, 1 where nothing is known
 * @example loadOf({ sections: 3, exceptions: 0, shapes: [1, 4], … }, "steady").low
 */
export function loadOf(toLearn: ToLearn, level: Level, known = 1): Load {
  const { sections, exceptions, shapes, changes, patterns, lines, presses } = toLearn;
  const plain: readonly LoadItem[] = [
    { kind: "sections", count: sections, minutes: sections * LOAD.section },
    {
      kind: "shapes",
      count: shapes.length,
      minutes: sum(shapes.map(above(LOAD.easyShape, LOAD.shape, LOAD.mostShape))),
    },
    {
      kind: "changes",
      count: changes.length,
      minutes: sum(changes.map(above(LOAD.easyChange, LOAD.change, LOAD.mostChange))),
    },
    {
      kind: "patterns",
      count: patterns.length,
      minutes: sum(patterns.map((strokes) => LOAD.pattern + Math.max(0, strokes - 4) * LOAD.stroke)),
    },
    { kind: "lines", count: lines.length, minutes: sum(lines) * LOAD.note },
    { kind: "exceptions", count: exceptions, minutes: exceptions * LOAD.exception },
    { kind: "presses", count: presses, minutes: presses * LOAD.press },
  ];
  const items = plain.flatMap((item): LoadItem[] =>
    item.count === 0 ? [] : [{ ...item, minutes: tenths(item.minutes * BY_LEVEL[level] * known) }],
  );
  const minutes = sum(items.map((item) => item.minutes));
  return { items, low: tenths(minutes * LOAD.low), high: tenths(minutes * LOAD.high) };
}

/**
 * How long the band needs together: as long as whoever needs longest for what is learned at home, and the sections, exceptions and
 * presses once more with everybody.
 */
export function bandLoad(loads: readonly Load[]): { readonly low: number; readonly high: number } {
  if (loads.length === 0) return { low: 0, high: 0 };
  const together = Math.max(
    ...loads.map(({ items }) =>
      sum(items.flatMap(({ kind, minutes }) => (TOGETHER.has(kind) ? [minutes] : []))),
    ),
  );
  return {
    low: tenths(Math.max(...loads.map(({ low }) => low)) + together * LOAD.low),
    high: tenths(Math.max(...loads.map(({ high }) => high)) + together * LOAD.high),
  };
}
const TOGETHER: ReadonlySet<LoadKind> = new Set(["sections", "exceptions", "presses"]);

/** An estimate that has proved itself: what was said in the middle, and what it really took. */
export type Proved = { readonly said: number; readonly took: number };

/** How far an estimate may be corrected. */
const CORRECTS = { least: 0.5, most: 2 };
const FEWEST = 2;

/**
 * How much of what is estimated somebody really needs, from songs they have learned: the middle of the ratios; 1 while there are
 * fewer than two.
 * @example correctionOf([{ said: 20, took: 30 }, { said: 10, took: 12 }]) // => 1.35
 */
export function correctionOf(proved: readonly Proved[]): number {
  const ratios = proved
    .filter(({ said }) => said > 0)
    .map(({ said, took }) => took / said)
    .toSorted((a, b) => a - b);
  if (ratios.length < FEWEST) return 1;
  const half = ratios.length / 2;
  const middle =
    ratios.length % 2 === 1 ? ratios[Math.floor(half)]! : (ratios[half - 1]! + ratios[half]!) / 2;
  return Math.min(CORRECTS.most, Math.max(CORRECTS.least, middle));
}
