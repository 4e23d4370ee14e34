import { changeCost, type PlaceId, type Places } from "./change";
import type { Worth } from "./front";
import type { PlantRow } from "./plant-rows";

/** A finger that stays on a place, by its number among the fingers. */
export type Plant = { readonly finger: number; readonly place: PlaceId };

/** One or two fingers that stay; `held` counts the changes each of them stays through, added up. */
export type Plants = readonly Plant[];

export type Arrangement = Worth & { readonly states: readonly number[]; readonly plants: Plants };

/** Where arrangements are gathered. */
export type Gather = {
  readonly covered: (worth: Worth) => boolean;
  readonly add: (arrangement: Arrangement) => void;
};

/** Counts sums made; when none are left the search ends where it is. */
export type Steps = { left: number };

/** Prices of a change held and of a faithful beat, against cost. */
export type Weights = readonly [held: number, faith: number];

const SAME = 1e-9;
/** Beats are compared as 960ths. */
const TICKS = 960;
/** Pairs of held changes and faithful beats, and such pairs over all states, that are carried at most. */
const MOST_PAIRS = 20_000;
const MOST_CELLS = 16_000_000;
/** How many of two planted fingers stay, by the set of those in place before and after. */
const COUNT = Uint8Array.of(0, 1, 1, 2);

/** Weights tried first, so that the exact search has something to hold its labels against. */
export const SEEDS: readonly Weights[] = Object.freeze([
  [0, 0],
  [0, 1e6],
  [1e6, 0],
  [1e6, 1e3],
  [1e3, 1e6],
  [3, 0.5],
  [8, 1],
] as const);

/** The states of each row that matter for some planted fingers, and which of those fingers each has in place. */
type View = {
  readonly plants: Plants;
  readonly kept: readonly Int32Array[];
  readonly held: readonly Uint8Array[];
};

/** Rows with the prices of every change worked out once, for all planted fingers of one capo. */
export class PlantSearch {
  private readonly changes: readonly Float64Array[];
  private costsToGo: readonly Float64Array[] | null = null;
  /** Undefined until it is asked for. */
  private known: Lattice | null | undefined;

  constructor(
    readonly rows: readonly PlantRow[],
    places: Places,
  ) {
    const known = new Map<PlantRow["states"], Map<PlantRow["states"], Float64Array>>();
    this.changes = rows.slice(1).map((row, at) => {
      const before = rows[at]!;
      const own = known.get(before.states) ?? new Map<PlantRow["states"], Float64Array>();
      known.set(before.states, own);
      let table = own.get(row.states);
      if (!table) {
        table = new Float64Array(before.states.length * row.states.length);
        for (const [from, a] of before.states.entries())
          for (const [to, b] of row.states.entries())
            table[from * row.states.length + to] = changeCost(places, a.places, b.places);
        own.set(row.states, table);
      }
      return table;
    });
  }

  /** Every finger on every place that could stay through a change. */
  get places(): Plant[] {
    const seen = new Map<string, Plant>();
    for (const states of new Set(this.rows.map((row) => row.states)))
      for (const { plants } of states)
        for (const [finger, place] of plants.entries())
          if (place !== 0) seen.set(`${finger} ${place}`, { finger, place });
    return [...seen.values()].filter((one) => this.reach([one]) > 0);
  }

  /** How many changes planted fingers could stay through at most, whatever it costs. */
  reach(plants: Plants): number {
    const known = new Map<PlantRow["states"], number>();
    const sets = this.rows.map(({ states }) => {
      const found = known.get(states);
      if (found !== undefined) return found;
      let sets = 0;
      for (const one of states) sets |= 1 << heldBy(plants, one.plants);
      known.set(states, sets);
      return sets;
    });
    let reach = 0;
    for (let at = 1; at < sets.length; at++) {
      const [before, after] = [sets[at - 1]!, sets[at]!];
      const one = (plant: number) => before & (plant | 8) && after & (plant | 8);
      if (before & after & 8) reach += 2;
      else if (one(2) || one(4)) reach += 1;
    }
    return reach;
  }

  /** The states that are always looked at and those with one of the fingers in place. */
  around(plants: Plants): View {
    const known = new Map<PlantRow["states"], { kept: Int32Array; held: Uint8Array }>();
    const rows = this.rows.map(({ states }) => {
      const found = known.get(states);
      if (found) return found;
      const kept: number[] = [];
      const held: number[] = [];
      for (const [at, one] of states.entries()) {
        const set = heldBy(plants, one.plants);
        if (!one.always && set === 0) continue;
        kept.push(at);
        held.push(set);
      }
      const made = { kept: Int32Array.from(kept), held: Uint8Array.from(held) };
      known.set(states, made);
      return made;
    });
    return { plants, kept: rows.map(({ kept }) => kept), held: rows.map(({ held }) => held) };
  }

  /** The best arrangement for some weights. */
  weighed(view: View, weights: Weights): Arrangement {
    const back: Int32Array[] = [];
    const last = this.sweep(view, weights, back);
    let at = last.indexOf(Math.min(...last));
    const chosen = [at];
    for (let index = this.rows.length - 1; index > 0; index--) {
      at = back[index - 1]![at]!;
      chosen.unshift(at);
    }
    return this.arrangement(view, chosen);
  }

  private sweep(view: View, [heldWeight, faithWeight]: Weights, back: Int32Array[]): Float64Array {
    const [firstKept, firstStates] = [view.kept[0]!, this.rows[0]!.states];
    let before = Float64Array.from(firstKept, (at) => worthOf(firstStates[at]!, faithWeight));
    for (let index = 1; index < this.rows.length; index++) {
      const { states, factor } = this.rows[index]!;
      const [from, to] = [view.kept[index - 1]!, view.kept[index]!];
      const [heldFrom, heldTo] = [view.held[index - 1]!, view.held[index]!];
      const table = this.changes[index - 1]!;
      const came = new Int32Array(to.length);
      const next = new Float64Array(to.length);
      for (let b = 0; b < to.length; b++) {
        const column = to[b]!;
        const held = heldTo[b]!;
        let best = Number.POSITIVE_INFINITY;
        let via = 0;
        for (let a = 0; a < from.length; a++) {
          const price =
            before[a]! +
            table[from[a]! * states.length + column]! * factor -
            heldWeight * COUNT[heldFrom[a]! & held]!;
          if (price < best - SAME) [best, via] = [price, a];
        }
        next[b] = best + worthOf(states[column]!, faithWeight);
        came[b] = via;
      }
      back.push(came);
      before = next;
    }
    return before;
  }

  private change(view: View, index: number, from: number, to: number): number {
    const { states, factor } = this.rows[index]!;
    const table = this.changes[index - 1]!;
    return table[view.kept[index - 1]![from]! * states.length + view.kept[index]![to]!]! * factor;
  }

  private stateOf(view: View, index: number, at: number) {
    return this.rows[index]!.states[view.kept[index]![at]!]!;
  }

  private arrangement(view: View, chosen: readonly number[]): Arrangement {
    let [cost, faith, held] = [0, 0, 0];
    for (const [index, at] of chosen.entries()) {
      const one = this.stateOf(view, index, at);
      cost += one.cost + (index > 0 ? this.change(view, index, chosen[index - 1]!, at) : 0);
      faith += one.faith;
      if (index > 0) held += COUNT[view.held[index - 1]![chosen[index - 1]!]! & view.held[index]![at]!]!;
    }
    const states = chosen.map((at, index) => this.stateOf(view, index, at).state);
    return { held, faith, cost, states, plants: view.plants };
  }

  /**
   * Every arrangement with planted fingers that nothing on the front covers. For each state, number of changes held
   * and faithful beats the least cost is carried from row to row; what could still become nothing new is dropped.
   * @returns false when there are too many numbers to carry or the steps ran out, and nothing is certain
   */
  exhaust(view: View, front: Gather, steps: Steps): boolean {
    const { lattice } = this;
    const widest = Math.max(...view.kept.map((kept) => kept.length));
    const last = this.rows.length - 1;
    if (!lattice) return false;
    const { unit, faiths } = lattice;
    const most = view.plants.length * last;
    const cells = faiths * (most + 1);
    if (cells > MOST_PAIRS || this.rows.length * widest * cells > MOST_CELLS) return false;
    const ahead = this.mostAhead(view);
    const toGo = this.toGo(lattice);
    const unitsOf = (index: number, at: number) => Math.round(this.stateOf(view, index, at).faith / unit);
    /** What is left of some sums at a state; null where nothing is. */
    const hopeful = (own: Float64Array, index: number, at: number): Sums | null =>
      dropHopeless(own, ahead[index]![at]!, toGo[index]!, view.kept[index]![at]!, lattice, front);
    const own = infinite(cells);
    let costs: (Sums | null)[] = Array.from(view.kept[0]!, (_, at) => {
      own.fill(Number.POSITIVE_INFINITY);
      own[unitsOf(0, at)] = this.stateOf(view, 0, at).cost;
      return hopeful(own, 0, at);
    });
    const from: Int16Array[][] = [];
    for (let index = 1; index <= last; index++) {
      if (costs.every((group) => group === null)) return true;
      const back: Int16Array[] = [];
      const reached = ((index - 1) * view.plants.length + 1) * faiths;
      const next = Array.from(view.kept[index]!, (_, to): Sums | null => {
        own.fill(Number.POSITIVE_INFINITY);
        const came = new Int16Array(cells).fill(-1);
        const { cost: stateCost } = this.stateOf(view, index, to);
        const units = unitsOf(index, to);
        const set = view.held[index]![to]!;
        for (let before = 0; before < costs.length; before++) {
          const group = costs[before];
          if (!group) continue;
          const price = this.change(view, index, before, to) + stateCost;
          const shift = COUNT[view.held[index - 1]![before]! & set]! * faiths + units;
          const { at, cost: sofar } = group;
          for (let one = 0; one < at.length; one++) {
            const cell = at[one]! + shift;
            const cost = sofar[one]! + price;
            if (cost < own[cell]! - SAME) {
              own[cell] = cost;
              came[cell] = before;
            }
          }
        }
        back.push(came);
        return hopeful(own, index, to);
      });
      // What might be summed, live or not: what is spent on dropping the hopeless counts, too.
      steps.left -= view.kept[index]!.length * costs.length * reached;
      if (steps.left <= 0) return false;
      from.push(back);
      costs = next;
    }
    for (const [end, group] of costs.entries()) {
      if (group === null) continue;
      for (const cell of group.at) {
        const chosen = [end];
        let at = cell;
        for (let index = last; index > 0; index--) {
          const to = chosen[0]!;
          const before = from[index - 1]![to]![at]!;
          const stays = COUNT[view.held[index - 1]![before]! & view.held[index]![to]!]!;
          at -= stays * faiths + unitsOf(index, to);
          chosen.unshift(before);
        }
        front.add(this.arrangement(view, chosen));
      }
    }
    return true;
  }

  private get lattice(): Lattice | null {
    if (this.known === undefined) this.known = this.latticeOf();
    return this.known;
  }

  private latticeOf(): Lattice | null {
    const ticks = [...new Set(this.rows.map(({ states }) => states))].flatMap((states) =>
      states.map((one) => Math.round(one.faith * TICKS)),
    );
    const unit = ticks.reduce((common, one) => divisor(common, one), 0);
    if (unit === 0) return { unit: 1, faiths: 1 };
    const total = this.rows.reduce((sum, { states }) => sum + mostFaith(states), 0);
    const faiths = Math.round((total * TICKS) / unit) + 1;
    return faiths > MOST_PAIRS ? null : { unit: unit / TICKS, faiths };
  }

  /** From each state to the end, the most changes held. */
  private mostAhead(view: View): Uint16Array[] {
    const last = this.rows.length - 1;
    const held: Uint16Array[] = [];
    held[last] = new Uint16Array(view.kept[last]!.length);
    for (let index = last - 1; index >= 0; index--) {
      // What counts of the next row is which fingers it has in place and how much lies ahead of it.
      const best = Int32Array.of(-1, -1, -1, -1);
      for (const [to, set] of view.held[index + 1]!.entries())
        best[set] = Math.max(best[set]!, held[index + 1]![to]!);
      held[index] = Uint16Array.from(view.held[index]!, (from) =>
        best.reduce((most, ahead, set) => (ahead < 0 ? most : Math.max(most, ahead + COUNT[from & set]!)), 0),
      );
    }
    return held;
  }

  /** From each state, and for each number of faithful units still to come at least, the least cost to the end. */
  private toGo({ unit, faiths }: Lattice): readonly Float64Array[] {
    if (this.costsToGo) return this.costsToGo;
    const last = this.rows.length - 1;
    const toGo: Float64Array[] = [];
    toGo[last] = infinite(this.rows[last]!.states.length * faiths);
    for (let at = 0; at < this.rows[last]!.states.length; at++) toGo[last]![at * faiths] = 0;
    for (let index = last - 1; index >= 0; index--) {
      const own = infinite(this.rows[index]!.states.length * faiths);
      const { states, factor } = this.rows[index + 1]!;
      const table = this.changes[index]!;
      const after = toGo[index + 1]!;
      for (let from = 0; from < this.rows[index]!.states.length; from++)
        for (const [to, { cost, faith }] of states.entries()) {
          const price = table[from * states.length + to]! * factor + cost;
          const shift = Math.round(faith / unit);
          for (let units = 0; units + shift < faiths; units++) {
            const sum = price + after[to * faiths + units]!;
            const cell = from * faiths + units + shift;
            if (sum < own[cell]!) own[cell] = sum;
          }
        }
      // As much at least: what reaches more reaches less, too.
      for (let from = 0; from < this.rows[index]!.states.length; from++)
        for (let units = faiths - 2; units >= 0; units--) {
          const cell = from * faiths + units;
          if (own[cell + 1]! < own[cell]!) own[cell] = own[cell + 1]!;
        }
      toGo[index] = own;
    }
    this.costsToGo = toGo;
    return toGo;
  }
}

/** Faithful beats as whole numbers of a common unit, and how many there can be. */
type Lattice = { readonly unit: number; readonly faiths: number };

/** The least costs of a state by held changes and faithful beats: where there is one, in order. */
type Sums = { readonly at: Int32Array; readonly cost: Float64Array };

const infinite = (length: number): Float64Array => new Float64Array(length).fill(Number.POSITIVE_INFINITY);

/**
 * Drops what even at best the front covers: for each number of faithful beats still to come, the least cost to get there.
 * @param held changes still to be held at most
 * @returns what is left; null for nothing
 */
function dropHopeless(
  own: Float64Array,
  held: number,
  toGo: Float64Array,
  state: number,
  { unit, faiths }: Lattice,
  front: Gather,
): Sums | null {
  const at: number[] = [];
  const costs: number[] = [];
  for (let cell = 0; cell < own.length; cell++) {
    const cost = own[cell]!;
    if (cost === Number.POSITIVE_INFINITY) continue;
    const faith = cell % faiths;
    const most = Math.floor(cell / faiths) + held;
    let hope = false;
    for (let more = 0; more + faith < faiths && !hope; more++) {
      const ahead = toGo[state * faiths + more]!;
      if (ahead === Number.POSITIVE_INFINITY) break;
      hope = !front.covered({ held: most, faith: (faith + more) * unit, cost: cost + ahead });
    }
    if (!hope) continue;
    at.push(cell);
    costs.push(cost);
  }
  return at.length === 0 ? null : { at: Int32Array.from(at), cost: Float64Array.from(costs) };
}

/** Which of some planted fingers are in place, as a set. */
function heldBy(plants: Plants, places: readonly PlaceId[]): number {
  let set = 0;
  for (let at = 0; at < plants.length; at++)
    if (places[plants[at]!.finger] === plants[at]!.place) set |= 1 << at;
  return set;
}

const worthOf = ({ cost, faith }: { cost: number; faith: number }, faithWeight: number): number =>
  cost - faithWeight * faith;

const mostFaith = (states: PlantRow["states"]): number =>
  states.reduce((most, { faith }) => Math.max(most, faith), 0);

/** The greatest common divisor. */
const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
