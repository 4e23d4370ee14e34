import { alignSources, type Column, type Laid } from "./align-bars";
import { chordAt, fitsTwoNames, slicesOf, unlikeness } from "./bar-similarity";
import type { EvidenceSource } from "./evidence-bars";

/** One spot where sources were compared: what each says there, null where it has no bar or no chord. */
export type Spot = {
  readonly from: number;
  readonly to: number;
  readonly says: readonly (string | null)[];
  readonly chordIds: readonly (string | null)[];
  /** Share of the pairs of sources that agree, 0 to 1. */
  readonly agreement: number;
  /** Whether the names differ only by what the bass decides. */
  readonly twoNames: boolean;
  /** The question this spot asks, the same for every spot that asks it; null where all agree. */
  readonly question: number | null;
};

export type WeighedColumn = { readonly bars: Column; readonly spots: readonly Spot[] };

/** A difference between the sources, wherever it comes. */
export type Question = {
  readonly says: readonly (string | null)[];
  /** Columns it comes in. */
  readonly columns: readonly number[];
  /** Beats it lasts in all. */
  readonly beats: number;
  readonly twoNames: boolean;
};

export type Evidence = {
  readonly columns: readonly WeighedColumn[];
  readonly questions: readonly Question[];
  /** The fewest columns to listen to that hear every question once. */
  readonly listen: readonly number[];
  /** Share of the beats all sources agree on. */
  readonly agreement: number;
  readonly laid: Pick<Laid, "cost" | "exact" | "bound">;
};

/** Lays sources against each other and tells where they agree, what is in doubt, and what to listen to. */
export function weighEvidence(sources: readonly EvidenceSource[], budget?: number): Evidence {
  const { columns, ...laid } = alignSources(sources, budget);
  const silent = sources.map((_, source) => silentColumns(columns, source));
  const questions: { says: (string | null)[]; columns: number[]; beats: number; twoNames: boolean }[] = [];
  const numbers = new Map<string, number>();
  let agreed = 0;
  let all = 0;
  const weighed = columns.map((column, index): WeighedColumn => {
    const bars = column.map((at, source) => (at === null ? null : sources[source]!.bars[at]!));
    const beats = Math.max(0, ...bars.map((bar) => bar?.beats ?? 0));
    const spots = slicesOf(bars).map(({ from, to }): Spot => {
      const chords = bars.map((bar) => chordAt(bar, { from, to }));
      const says = chords.map((chord) => chord?.symbol ?? null);
      const agreement = agreementOf(says.filter((_, source) => !silent[source]!.has(index)));
      const weight = (to - from) * beats;
      all += weight;
      agreed += agreement === 1 ? weight : 0;
      const twoNames = agreement < 1 && allTwoNames(says.filter((_, source) => !silent[source]!.has(index)));
      const question = agreement === 1 ? null : ask(says, index, weight, twoNames);
      return {
        from,
        to,
        says,
        chordIds: chords.map((chord) => chord?.chordId ?? null),
        agreement,
        twoNames,
        question,
      };
    });
    return { bars: column, spots };
  });
  function ask(says: (string | null)[], column: number, beats: number, twoNames: boolean): number {
    const key = JSON.stringify(says);
    const number = numbers.get(key) ?? questions.push({ says, columns: [], beats: 0, twoNames }) - 1;
    numbers.set(key, number);
    const question = questions[number]!;
    if (question.columns.at(-1) !== column) question.columns.push(column);
    question.beats += beats;
    return number;
  }
  return {
    columns: weighed,
    questions,
    listen: fewestColumns(questions.map((question) => question.columns)),
    agreement: all === 0 ? 1 : agreed / all,
    laid,
  };
}

/** A source that leaves out more bars than this in a row does not write that stretch at all. */
const MOST_LEFT_OUT = 2;

/**
 * The columns a source says nothing about: before it begins, after it ends, and whole stretches it does not write
 * (a sheet that writes a chorus once). A bar or two left out inside are a difference.
 */
function silentColumns(columns: readonly Column[], source: number): ReadonlySet<number> {
  const silent = new Set<number>();
  let run: number[] = [];
  let begun = false;
  for (const [index, column] of columns.entries()) {
    if (column[source] === null) {
      run.push(index);
      continue;
    }
    if (!begun || run.length > MOST_LEFT_OUT) for (const one of run) silent.add(one);
    run = [];
    begun = true;
  }
  for (const one of run) silent.add(one);
  return silent;
}

/** Share of the pairs of sources that say the same; a source that says nothing beside one that does disagrees. */
function agreementOf(says: readonly (string | null)[]): number {
  let pairs = 0;
  let same = 0;
  for (const [index, one] of says.entries()) {
    for (const two of says.slice(index + 1)) {
      pairs++;
      if (one === two || (one !== null && two !== null && unlikeness(one, two) === 0)) same++;
    }
  }
  return pairs === 0 ? 1 : same / pairs;
}

function allTwoNames(says: readonly (string | null)[]): boolean {
  const names = [...new Set(says)];
  return (
    names.length > 1 &&
    names.every((one) => one !== null) &&
    names.every((one, index) => names.slice(index + 1).every((two) => fitsTwoNames(one!, two!)))
  );
}

const MOST_STEPS = 50_000;

/**
 * The fewest columns that hold every question: exact by branching on the question with the fewest columns; past the
 * bound of steps the best found, which is never worse than always taking the column with most open questions.
 */
export function fewestColumns(questions: readonly (readonly number[])[]): number[] {
  const holds = new Map<number, Set<number>>();
  for (const [question, columns] of questions.entries())
    for (const column of columns) holds.set(column, (holds.get(column) ?? new Set()).add(question));
  let best = greedy(questions.length, holds);
  let steps = 0;
  const branch = (chosen: readonly number[], open: ReadonlySet<number>): void => {
    if (open.size === 0) {
      if (chosen.length < best.length) best = [...chosen];
      return;
    }
    const most = Math.max(
      ...[...holds.values()].map((own) => [...own].filter((one) => open.has(one)).length),
    );
    if (chosen.length + Math.ceil(open.size / most) >= best.length || ++steps > MOST_STEPS) return;
    const hardest = [...open].reduce((a, b) => (questions[b]!.length < questions[a]!.length ? b : a));
    for (const column of questions[hardest]!) {
      const own = holds.get(column)!;
      branch([...chosen, column], new Set([...open].filter((one) => !own.has(one))));
    }
  };
  if (questions.length <= 60) branch([], new Set(questions.keys()));
  return best.sort((a, b) => a - b);
}

function greedy(count: number, holds: ReadonlyMap<number, ReadonlySet<number>>): number[] {
  const open = new Set(Array.from({ length: count }, (_, index) => index));
  const chosen: number[] = [];
  while (open.size > 0) {
    let [best, most] = [-1, 0];
    for (const [column, own] of holds) {
      const found = [...own].filter((question) => open.has(question)).length;
      if (found > most) [best, most] = [column, found];
    }
    if (best < 0) break;
    chosen.push(best);
    for (const question of holds.get(best)!) open.delete(question);
  }
  return chosen;
}
