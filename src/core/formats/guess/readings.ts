import { type BarOfBeats, type GuessedBeats, LineGuesser, type LineToGuess } from "./line-beats";
import { WEIGHTS } from "./weights";

/** A line of a section: one to be guessed, or one whose beats are known. */
export type LineOfReading = ({ readonly known: null } & LineToGuess) | { readonly known: readonly number[] };

/** A section whose lines are read together; sections of one `group` get the same lengths. */
export type SectionOfReading = { readonly group: string; readonly lines: readonly LineOfReading[] };

/** One reading of a whole song. */
export type Guess = {
  /** Beats of each chord, by line, by section. */
  readonly sections: readonly (readonly (readonly number[])[])[];
  /** Bars of the usual line of each section. */
  readonly bars: readonly number[];
  readonly cost: number;
};

/** So many readings are offered. */
export const MOST_READINGS = 4;

/** A line in so many bars. */
type LineWay = {
  readonly beats: readonly number[];
  readonly bars: number;
  readonly cost: number;
  /** Syllables a bar, in octaves; null where nothing is sung. */
  readonly pace: number | null;
};

/** One way to read a group: the bars of its usual line, and what each of its lines may be then. */
type Way = { readonly bars: number; readonly lines: readonly (readonly LineWay[])[] };

const LENGTHS: readonly number[] = Object.keys(WEIGHTS.length).map(Number);
/** Syllables a bar a song may go at, in octaves: from half of one to sixteen. */
const PACES: readonly number[] = Array.from({ length: 11 }, (_, step) => -1 + step / 2);

/** What lengths cost: lines that are played alone are as long as their chords are. */
function lengthsFor(lines: readonly LineWay[], bar: BarOfBeats): Readonly<Record<number, number>> {
  if (lines.every(({ pace }) => pace === null)) return WEIGHTS.playedLength;
  return bar.beats <= 3 ? WEIGHTS.shortLength : WEIGHTS.length;
}

const octaves = (value: number): number => Math.log2(value);

/**
 * The best readings of a song's beats, the best first: every line of a section has one length in bars, and what is sung goes
 * at one pace through the song. All ways of all groups are compared at every pace; the four best of all are found exactly.
 * @param sections in the order of the sheet
 * @returns none where nothing is to be guessed
 */
export function guessReadings(sections: readonly SectionOfReading[], bar: BarOfBeats): Guess[] {
  const groups = [...new Set(sections.filter(({ lines }) => lines.some(isOpen)).map(({ group }) => group))];
  if (groups.length === 0) return [];
  const linesOf = groups.map((group) =>
    sections.filter((one) => one.group === group).flatMap(({ lines }) => lines),
  );
  const guesser = new LineGuesser(bar);
  const waysOf = linesOf.map((lines) => waysThrough(lines, bar, guesser));
  if (waysOf.some((ways) => ways.length === 0)) return [];
  const atPaces = waysOf.map((ways) => ways.map((way) => paced(way, bar)));
  const best = new Map<string, Sum>();
  for (const pace of PACES) {
    const prior = WEIGHTS.pacePrior * (pace - octaves(WEIGHTS.usualPace)) ** 2;
    for (const sum of cheapest(atPaces.map((ways) => ways.map((way) => way(pace))))) {
      const key = sum.chosen.map(({ lines }) => lines.map(({ bars }) => bars).join(" ")).join("|");
      const known = best.get(key);
      if (!known || sum.cost + prior < known.cost) best.set(key, { ...sum, cost: sum.cost + prior });
    }
  }
  return [...best.values()]
    .sort((a, b) => a.cost - b.cost)
    .slice(0, MOST_READINGS)
    .map((sum) => asGuess(sections, groups, sum, bar));
}

const isOpen = (line: LineOfReading): line is { known: null } & LineToGuess => line.known === null;

/** Every way to read the lines of a group: one length for all, or twice it for lines of twice the chords. */
function waysThrough(lines: readonly LineOfReading[], bar: BarOfBeats, guesser: LineGuesser): Way[] {
  const fewest = Math.min(...lines.filter(isOpen).map(({ shares }) => shares.length));
  return LENGTHS.flatMap((bars): Way[] => {
    const ways = lines.map((line) => {
      if (!isOpen(line)) return [knownWay(line.known ?? [], bars, bar)];
      const mayDouble = line.shares.length >= 2 * fewest;
      return (mayDouble && bars <= 4 ? [bars, 2 * bars] : [bars]).flatMap((own) =>
        openWay(line, guesser.guess(line, own * bar.beats), own, own > bars),
      );
    });
    return ways.some((one) => one.length === 0) ? [] : [{ bars, lines: ways }];
  });
}

/** A line that is written tells how long the others are. */
function knownWay(beats: readonly number[], bars: number, bar: BarOfBeats): LineWay {
  const own = sumOf(beats) / bar.beats;
  return { beats, bars: own, cost: own > 0 ? Math.abs(octaves(own / bars)) : 0, pace: null };
}

function openWay(
  line: LineToGuess,
  guessed: GuessedBeats | null,
  bars: number,
  isDouble: boolean,
): LineWay[] {
  if (!guessed) return [];
  const rate = WEIGHTS.rate * octaves(line.shares.length / bars) ** 2;
  const cost = guessed.cost + rate + (isDouble ? WEIGHTS.double : 0);
  return [
    { beats: guessed.beats, bars, cost, pace: line.syllables > 0 ? octaves(line.syllables / bars) : null },
  ];
}

/** A way with each of its lines as it is cheapest at a pace. */
type Paced = { readonly bars: number; readonly lines: readonly LineWay[]; readonly cost: number };

function atPace(way: Way, pace: number, bar: BarOfBeats): Paced {
  let cost = 0;
  const lines = way.lines.map((options) => {
    let [best, least] = [options[0]!, Number.POSITIVE_INFINITY];
    for (const one of options) {
      const own = one.cost + (one.pace === null ? 0 : WEIGHTS.pace * (one.pace - pace) ** 2);
      if (own < least) [best, least] = [one, own];
    }
    cost += least;
    return best;
  });
  return { bars: way.bars, lines, cost: lengthsFor(lines, bar)[way.bars]! + cost / lines.length };
}

/** A way at every pace. Where each line has one length, what its paces cost is a square that is summed up once. */
function paced(way: Way, bar: BarOfBeats): (pace: number) => Paced {
  if (way.lines.some((options) => options.length > 1)) return (pace) => atPace(way, pace, bar);
  const lines = way.lines.map(([only]) => only!);
  const paces = lines.flatMap(({ pace }) => pace ?? []);
  const [sum, squares] = [sumOf(paces), sumOf(paces.map((one) => one * one))];
  const own = lengthsFor(lines, bar)[way.bars]! + sumOf(lines.map(({ cost }) => cost)) / lines.length;
  return (pace) => ({
    bars: way.bars,
    lines,
    cost: own + (WEIGHTS.pace * (squares - 2 * pace * sum + paces.length * pace * pace)) / lines.length,
  });
}

/** A choice of a way for each group so far: the last one, and those before it. */
type Chain = { readonly cost: number; readonly way: Paced; readonly before: Chain | null };
type Sum = { readonly cost: number; readonly chosen: readonly Paced[] };

/** The cheapest choices of a way for each group, as many as are offered. */
function cheapest(waysOf: readonly (readonly Paced[])[]): Sum[] {
  let best: readonly (Chain | null)[] = [null];
  for (const ways of waysOf) {
    const own = ways.toSorted((a, b) => a.cost - b.cost).slice(0, MOST_READINGS);
    // Of the best so far and the best ways here, those whose ranks multiply to more can't be among the best together.
    best = best
      .flatMap((before, rank) =>
        own
          .slice(0, Math.floor(MOST_READINGS / (rank + 1)))
          .map((way): Chain => ({ cost: (before?.cost ?? 0) + way.cost, way, before })),
      )
      .sort((a, b) => a.cost - b.cost)
      .slice(0, MOST_READINGS);
  }
  return best.map((last) => {
    const chosen: Paced[] = [];
    for (let one = last; one; one = one.before) chosen.push(one.way);
    return { cost: last?.cost ?? 0, chosen: chosen.reverse() };
  });
}

const sumOf = (beats: readonly number[]): number => beats.reduce((sum, one) => sum + one, 0);

function asGuess(
  sections: readonly SectionOfReading[],
  groups: readonly string[],
  { cost, chosen }: Sum,
  bar: BarOfBeats,
): Guess {
  const taken = groups.map(() => 0);
  const bars: number[] = [];
  const beats = sections.map(({ group, lines }) => {
    const at = groups.indexOf(group);
    const way = chosen[at];
    bars.push(way?.bars ?? Math.max(0, ...lines.map(({ known }) => sumOf(known ?? []) / bar.beats)));
    return lines.map(({ known }) => (way ? way.lines[taken[at]!++]!.beats : (known ?? [])));
  });
  return { sections: beats, bars, cost };
}
