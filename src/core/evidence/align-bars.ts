import { barUnlikeness } from "./bar-similarity";
import type { EvidenceBar, EvidenceSource } from "./evidence-bars";

/** Bars side by side: for each source the index of its bar, or null where it has none. */
export type Column = readonly (number | null)[];

export type Laid = {
  readonly columns: readonly Column[];
  /** Sum over every two sources of what their bars cost side by side. */
  readonly cost: number;
  readonly exact: boolean;
  /** No way of laying them can cost less than this. */
  readonly bound: number;
};

/** What a bar without a partner costs, and one that begins a section beside one that does not, in thousandths. */
const ALONE = 600;
const SECTION_STARTS = 200;
const DEFAULT_BUDGET = 200_000;

/**
 * Lays sources against each other, bar by bar, at the least sum of costs over every two of them. Exact: a best-first
 * search over all sources at once, led by the exact costs of each two. Past the budget of steps it gives what laying
 * each against the first gives, with a bound.
 */
export function alignSources(sources: readonly EvidenceSource[], budget = DEFAULT_BUDGET): Laid {
  const lists = sources.map((source) => source.bars);
  const pairs = pairsOf(lists);
  return search(lists, pairs, budget) ?? star(lists, pairs);
}

/** Two of the sources with the cost of each two bars and the least cost from there to the end. */
type PairCosts = {
  readonly i: number;
  readonly j: number;
  readonly bar: Int32Array;
  readonly rest: Int32Array;
  readonly width: number;
};

function pairsOf(lists: readonly (readonly EvidenceBar[])[]): PairCosts[] {
  const signs = new Map<string, number>();
  const known = new Map<string, number>();
  const kinds = lists.map((bars) =>
    bars.map((bar) => {
      const text = JSON.stringify(bar.chords.map(({ symbol, from, to }) => [symbol, from, to]));
      const sign = signs.get(text) ?? signs.size;
      signs.set(text, sign);
      return sign;
    }),
  );
  const costOf = (i: number, at: number, j: number, to: number): number => {
    const key = `${kinds[i]![at]} ${kinds[j]![to]}`;
    const cost = known.get(key) ?? Math.round(1000 * barUnlikeness(lists[i]![at]!, lists[j]![to]!));
    known.set(key, cost);
    return cost + (lists[i]![at]!.starts === lists[j]![to]!.starts ? 0 : SECTION_STARTS);
  };
  const pairs: PairCosts[] = [];
  for (let i = 0; i < lists.length; i++)
    for (let j = i + 1; j < lists.length; j++)
      pairs.push(pairCosts(i, j, lists[i]!.length, lists[j]!.length, costOf));
  return pairs;
}

function pairCosts(
  i: number,
  j: number,
  rows: number,
  columns: number,
  costOf: (i: number, at: number, j: number, to: number) => number,
): PairCosts {
  const width = columns + 1;
  const bar = new Int32Array(rows * width);
  const rest = new Int32Array((rows + 1) * width);
  for (let at = rows; at >= 0; at--) {
    for (let to = columns; to >= 0; to--) {
      if (at === rows || to === columns) {
        rest[at * width + to] = ALONE * (rows - at + columns - to);
        continue;
      }
      const cost = costOf(i, at, j, to);
      bar[at * width + to] = cost;
      rest[at * width + to] = Math.min(
        cost + rest[(at + 1) * width + to + 1]!,
        ALONE + rest[(at + 1) * width + to]!,
        ALONE + rest[at * width + to + 1]!,
      );
    }
  }
  return { i, j, bar, rest, width };
}

/** What it costs to go on by some of the sources, given as bits, from a place in each. */
function stepCost(pairs: readonly PairCosts[], place: readonly number[], move: number): number {
  let cost = 0;
  for (const { i, j, bar, width } of pairs) {
    const both = ((move >> i) & 1) + ((move >> j) & 1);
    if (both === 2) cost += bar[place[i]! * width + place[j]!]!;
    else if (both === 1) cost += ALONE;
  }
  return cost;
}

const restCost = (pairs: readonly PairCosts[], place: readonly number[]): number =>
  pairs.reduce((sum, { i, j, rest, width }) => sum + rest[place[i]! * width + place[j]!]!, 0);

type Node = {
  readonly place: readonly number[];
  readonly cost: number;
  readonly total: number;
  /** Bars laid so far, over all sources. */
  readonly laid: number;
  readonly from: Node | null;
};

function search(
  lists: readonly (readonly EvidenceBar[])[],
  pairs: readonly PairCosts[],
  budget: number,
): Laid | null {
  const count = lists.length;
  const end = lists.map((bars) => bars.length);
  const keyOf = (place: readonly number[]) =>
    place.reduce((key, at, index) => key * (end[index]! + 1) + at, 0);
  const start: Node = {
    place: end.map(() => 0),
    cost: 0,
    total: restCost(
      pairs,
      end.map(() => 0),
    ),
    laid: 0,
    from: null,
  };
  const open = new Heap();
  open.push(start);
  const best = new Map<number, number>([[keyOf(start.place), 0]]);
  const goal = keyOf(end);
  for (let steps = 0; steps < budget; steps++) {
    const node = open.pop();
    if (!node) return null;
    const key = keyOf(node.place);
    if (key === goal) {
      const cost = node.cost / 1000;
      return { columns: columnsTo(node), cost, exact: true, bound: cost };
    }
    if (best.get(key)! < node.cost) continue;
    for (let move = (1 << count) - 1; move > 0; move--) {
      if (node.place.some((at, index) => ((move >> index) & 1) === 1 && at >= end[index]!)) continue;
      const place = node.place.map((at, index) => at + ((move >> index) & 1));
      const cost = node.cost + stepCost(pairs, node.place, move);
      const next = keyOf(place);
      if ((best.get(next) ?? Number.POSITIVE_INFINITY) <= cost) continue;
      best.set(next, cost);
      const laid = place.reduce((sum, at) => sum + at, 0);
      open.push({ place, cost, total: cost + restCost(pairs, place), laid, from: node });
    }
  }
  return null;
}

function columnsTo(node: Node): Column[] {
  const columns: Column[] = [];
  for (let here: Node | null = node; here?.from; here = here.from) {
    const before = here.from;
    columns.push(here.place.map((at, index) => (at > before.place[index]! ? before.place[index]! : null)));
  }
  return columns.reverse();
}

/** Lays every source against the first by the exact costs of the two. */
function star(lists: readonly (readonly EvidenceBar[])[], pairs: readonly PairCosts[]): Laid {
  const end = lists.map((bars) => bars.length);
  const partners = lists
    .slice(1)
    .map((_, index) => followPair(pairs.find((pair) => pair.i === 0 && pair.j === index + 1)!, end));
  const columns: Column[] = [];
  const next = partners.map(() => 0);
  const takeUntil = (source: number, until: number) => {
    for (; next[source]! < until; next[source]!++)
      columns.push(lists.map((_, index) => (index === source + 1 ? next[source]! : null)));
  };
  for (let at = 0; at < end[0]!; at++) {
    const beside = partners.map((partner) => partner[at] ?? null);
    for (const [source, to] of beside.entries()) if (to !== null) takeUntil(source, to);
    columns.push([at, ...beside]);
    for (const [source, to] of beside.entries()) if (to !== null) next[source] = to + 1;
  }
  for (const source of partners.keys()) takeUntil(source, end[source + 1]!);
  const place = end.map(() => 0);
  let cost = 0;
  for (const column of columns) {
    const move = column.reduce<number>((bits, at, index) => (at === null ? bits : bits | (1 << index)), 0);
    cost += stepCost(pairs, place, move);
    for (const [index, at] of column.entries()) if (at !== null) place[index] = at + 1;
  }
  const bound = restCost(
    pairs,
    end.map(() => 0),
  );
  return { columns, cost: cost / 1000, exact: cost === bound, bound: bound / 1000 };
}

/** For each bar of the first of two sources its partner in the second, or null. */
function followPair({ bar, rest, width }: PairCosts, end: readonly number[]): (number | null)[] {
  const found: (number | null)[] = [];
  let [at, to] = [0, 0];
  while (at < end[0]!) {
    const here = rest[at * width + to]!;
    const inside = to < width - 1;
    if (inside && bar[at * width + to]! + rest[(at + 1) * width + to + 1]! === here) {
      found.push(to);
      at++;
      to++;
    } else if (ALONE + rest[(at + 1) * width + to]! === here) {
      found.push(null);
      at++;
    } else to++;
  }
  return found;
}

/** Nodes by their least total; of equal ones the one with more bars laid: bars side by side early rather than late. */
class Heap {
  private readonly nodes: Node[] = [];

  push(node: Node): void {
    const { nodes } = this;
    let at = nodes.push(node) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!before(node, nodes[up]!)) break;
      nodes[at] = nodes[up]!;
      at = up;
    }
    nodes[at] = node;
  }

  pop(): Node | null {
    const { nodes } = this;
    const top = nodes[0];
    const last = nodes.pop();
    if (!top || !last) return null;
    if (nodes.length === 0) return top;
    let at = 0;
    for (;;) {
      let down = 2 * at + 1;
      if (down >= nodes.length) break;
      if (down + 1 < nodes.length && before(nodes[down + 1]!, nodes[down]!)) down++;
      if (!before(nodes[down]!, last)) break;
      nodes[at] = nodes[down]!;
      at = down;
    }
    nodes[at] = last;
    return top;
  }
}

const before = (a: Node, b: Node): boolean => a.total < b.total || (a.total === b.total && a.laid > b.laid);
