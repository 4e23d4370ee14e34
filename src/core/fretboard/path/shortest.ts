import { changeCost, FINGERS, type Places } from "./change";
import type { Layer } from "./layers";
import {
  type Group,
  groupsOf,
  maskOf,
  type Ordered,
  orderFor,
  type Row,
  type Stances,
  stancesOf,
} from "./stances";

/** Sums that differ by less are the same. */
const SAME = 1e-9;

export type Shortest = { readonly states: readonly number[]; readonly cost: number };

/** No hand gets through. */
const NO_WAY: Shortest = Object.freeze({ states: Object.freeze([]), cost: Number.POSITIVE_INFINITY });

/** Counts transitions looked at; when none are left the search gives up. */
export type Steps = { left: number };

/**
 * The cheapest way through rows of states. Costs to go are found from the end: for each state the next ones are
 * tried by groups of like fingers, cheapest first, until no better one can come.
 */
export class PathSearch {
  private readonly rows: readonly Row[];
  /** By row and state: the cheapest cost from there to the end, its own included. */
  private toGo: Float64Array[] = [];

  constructor(
    layers: readonly Layer[],
    private readonly places: Places,
    factors: readonly number[],
    private readonly closing: number | null,
    private readonly steps: Steps,
  ) {
    const stances = new Map<Layer["states"], Stances>();
    this.rows = layers.map((layer, index): Row => {
      const isUnder = layers[index + 1]?.states[0]?.base != null;
      const known = isUnder ? undefined : stances.get(layer.states);
      const own = known ?? stancesOf(layer.states, isUnder, places);
      if (!isUnder) stances.set(layer.states, own);
      const costs = Float64Array.from(layer.states, (state) => (state.price * layer.beats) / 4);
      return { ...own, size: layer.states.length, costs, factor: factors[index]! };
    });
  }

  /** @returns the cheapest path (of infinite cost where there is none), or null when the steps ran out; ties go to the state that comes first in its list. */
  run(): Shortest | null {
    if (!this.sweep()) return null;
    if (!this.toGo[0]!.some(Number.isFinite)) return NO_WAY;
    if (this.closing !== null && this.rows.length > 1) return this.runClosed();
    const first = this.toGo[0]!;
    let start = 0;
    for (let at = 1; at < first.length; at++) if (first[at]! < first[start]! - SAME) start = at;
    return this.follow(start);
  }

  /** Easiest first, then always the cheapest next. */
  greedy(): Shortest {
    const states: number[] = [];
    let cost = 0;
    for (const [index, row] of this.rows.entries()) {
      let best = -1;
      let least = Number.POSITIVE_INFINITY;
      for (let at = 0; at < row.size; at++) {
        if (index > 0 && !this.mayFollow(index, states[index - 1]!, at)) continue;
        const change = index === 0 ? 0 : this.change(index, states[index - 1]!, at) * row.factor;
        const price = index === 0 ? row.costs[at]! : change + row.costs[at]!;
        if (price < least - SAME) [best, least] = [at, price];
      }
      if (best < 0) return NO_WAY;
      states.push(best);
      cost += least;
    }
    return { states, cost: cost + this.closeCost(states) };
  }

  private change(index: number, from: number, to: number): number {
    return changeCost(this.places, this.rows[index - 1]!.places[from]!, this.rows[index]!.places[to]!);
  }

  /** What a path pays from its last state back to its first. */
  closeCost(states: readonly number[]): number {
    if (this.closing === null || states.length < 2) return 0;
    return (
      this.closing *
      changeCost(this.places, this.placesOf(states.length - 1, states), this.placesOf(0, states))
    );
  }

  private placesOf(index: number, states: readonly number[]): readonly number[] {
    return this.rows[index]!.places[states[index]!]!;
  }

  /** Whether a state lies over what the one before holds. */
  private mayFollow(index: number, from: number, to: number): boolean {
    const base = this.rows[index]!.bases?.[to];
    if (base === undefined) return true;
    return (this.rows[index - 1]!.bases?.[from] ?? from) === base;
  }

  private sweep(): boolean {
    this.toGo = new Array(this.rows.length);
    for (let index = this.rows.length - 1; index >= 0; index--) {
      const row = this.rows[index]!;
      const cost = Float64Array.from(row.costs);
      const next = this.rows[index + 1];
      if (next) {
        const groups = groupsOf(next, this.toGo[index + 1]!);
        const orders = new Map<number, readonly Ordered[]>();
        const ahead = Float64Array.from(row.stances, (state) =>
          this.cheapestNext(index, state, groups, orders),
        );
        if (this.steps.left < 0) return false;
        for (let state = 0; state < row.size; state++) cost[state]! += ahead[row.stanceOf[state]!]!;
      }
      this.toGo[index] = cost;
    }
    return true;
  }

  private cheapestNext(
    index: number,
    from: number,
    groups: readonly Group[],
    orders: Map<number, readonly Ordered[]>,
  ): number {
    const next = this.rows[index + 1]!;
    const { factor } = next;
    const { costs, width } = this.places;
    const places = this.rows[index]!.places[from]!;
    const [thumb, one, two, three, four] = places.map((place) => place * width) as [
      number,
      number,
      number,
      number,
      number,
    ];
    const mask = maskOf(places);
    let order = orders.get(mask);
    if (!order) {
      order = orderFor(mask, groups, factor);
      orders.set(mask, order);
    }
    let best = Number.POSITIVE_INFINITY;
    for (const { group, least } of order) {
      const { ahead, stands, states } = group;
      if (least + ahead[0]! >= best) break;
      let looked = 0;
      for (; looked < states.length; looked++) {
        const onward = ahead[looked]!;
        if (onward + least >= best) break;
        if (next.bases && !this.mayFollow(index + 1, from, states[looked]!)) continue;
        const at = looked * FINGERS.length;
        const change =
          costs[thumb + stands[at]!]! +
          costs[one + stands[at + 1]!]! +
          costs[two + stands[at + 2]!]! +
          costs[three + stands[at + 3]!]! +
          costs[four + stands[at + 4]!]!;
        const cost = change * factor + onward;
        if (cost < best) best = cost;
      }
      this.steps.left -= looked + 1;
    }
    return best;
  }

  /** From a start, the cheapest path; of equal steps the one earliest in its list. */
  private follow(start: number): Shortest {
    const states = [start];
    for (let index = 1; index < this.rows.length; index++) {
      const row = this.rows[index]!;
      const ahead = this.toGo[index]!;
      let best = -1;
      let least = Number.POSITIVE_INFINITY;
      for (let to = 0; to < row.size; to++) {
        if (ahead[to]! >= least || !this.mayFollow(index, states[index - 1]!, to)) continue;
        const cost = this.change(index, states[index - 1]!, to) * row.factor + ahead[to]!;
        if (cost < least - SAME) [best, least] = [to, cost];
      }
      states.push(best);
    }
    return { states, cost: this.costOf(states) };
  }

  costOf(states: readonly number[]): number {
    let cost = 0;
    for (const [index, state] of states.entries()) {
      if (index > 0) cost += this.change(index, states[index - 1]!, state) * this.rows[index]!.factor;
      cost += this.rows[index]!.costs[state]!;
    }
    return cost + this.closeCost(states);
  }

  /** The cheapest path that also pays its way back to its own start: each start in turn, while it may still win. */
  private runClosed(): Shortest | null {
    const first = this.toGo[0]!;
    const starts = Array.from(first.keys()).sort((a, b) => first[a]! - first[b]! || a - b);
    let best = this.greedy();
    for (const start of starts.slice(0, 32)) {
      const path = this.follow(start);
      if (path.cost < best.cost - SAME) best = path;
    }
    for (const start of starts) {
      if (first[start]! >= best.cost - SAME) break;
      const path = this.closedFrom(start, best.cost);
      if (this.steps.left < 0) return null;
      if (path) best = path;
    }
    return best;
  }

  /** The cheapest closed path from a start, if it costs less than `under`. */
  private closedFrom(start: number, under: number): Shortest | null {
    let alive = [{ state: start, cost: this.rows[0]!.costs[start]!, before: -1 }];
    const layers = [alive];
    for (let index = 1; index < this.rows.length; index++) {
      const row = this.rows[index]!;
      const ahead = this.toGo[index]!;
      const reached: typeof alive = [];
      for (let to = 0; to < row.size; to++) {
        let least = Number.POSITIVE_INFINITY;
        let before = -1;
        for (const [at, { state, cost }] of alive.entries()) {
          if (cost + ahead[to]! >= Math.min(under - SAME, least + ahead[to]!)) continue;
          if (!this.mayFollow(index, state, to)) continue;
          const price = cost + this.change(index, state, to) * row.factor;
          if (price < least - SAME) [least, before] = [price, at];
        }
        if (before >= 0 && least + ahead[to]! < under - SAME)
          reached.push({ state: to, cost: least + row.costs[to]!, before });
      }
      this.steps.left -= alive.length * row.size;
      if (this.steps.left < 0) return null;
      alive = reached;
      layers.push(alive);
    }
    let best: Shortest | null = null;
    for (const last of alive.keys()) {
      const states: number[] = [];
      let at = last;
      for (let index = layers.length - 1; index >= 0; index--) {
        const one = layers[index]![at]!;
        states.unshift(one.state);
        at = one.before;
      }
      const cost = this.costOf(states);
      if (cost < (best?.cost ?? under) - SAME) best = { states, cost };
    }
    return best;
  }
}
