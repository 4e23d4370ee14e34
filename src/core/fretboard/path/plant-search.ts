import { changeCost, type PlaceId, type Places } from "./change";
import type { Worth } from "./front";

/** A state of a layer, reduced to what a planted arrangement asks of it. */
export type PlantState = {
  /** Which state of the layer it is. */
  readonly state: number;
  readonly places: readonly PlaceId[];
  readonly cost: number;
  /** Beats that sound as the chart says. */
  readonly faith: number;
  /** Whether it is looked at for every planted finger, or only for those it has in place. */
  readonly always: boolean;
};

export type PlantRow = { readonly states: readonly PlantState[]; readonly factor: number };

export type Arrangement = Worth & {
  readonly states: readonly number[];
  readonly finger: number;
  readonly place: PlaceId;
};

/** Where arrangements are gathered. */
export type Gather = {
  readonly covered: (worth: Worth) => boolean;
  readonly add: (arrangement: Arrangement) => void;
};

/** Counts sums made; when none are left the search ends where it is. */
export type Steps = { left: number };

const SAME = 1e-9;
/** Beats are compared as 960ths. */
const TICKS = 960;
/** Pairs of held changes and faithful beats, and such pairs over all states, that are carried at most. */
const MOST_PAIRS = 20_000;
const MOST_CELLS = 16_000_000;
/** Weights tried first, so that the exact search has something to hold its labels against. */
const SEEDS: readonly (readonly [held: number, faith: number])[] = Object.freeze([
  [0, 0],
  [0, 1e6],
  [1e6, 0],
  [1e6, 1e3],
  [1e3, 1e6],
  [1, 0],
  [3, 0],
  [1, 0.4],
  [4, 0.5],
] as const);

/** Rows with the prices of every change worked out once, for all planted fingers of one capo. */
export class PlantSearch {
  private readonly changes: Float64Array[];
  private cheapest: number | null = null;

  constructor(
    readonly rows: readonly PlantRow[],
    private readonly places: Places,
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

  /** The same search over the states that are always looked at and those with a finger on a place. */
  around(finger: number, place: PlaceId): PlantSearch {
    const known = new Map<PlantRow["states"], PlantRow["states"]>();
    const rows = this.rows.map(({ states, factor }): PlantRow => {
      const kept = known.get(states) ?? states.filter((one) => one.always || one.places[finger] === place);
      known.set(states, kept);
      return { states: kept, factor };
    });
    return new PlantSearch(rows, this.places);
  }

  private holds(finger: number, place: PlaceId): Uint8Array[] {
    return this.rows.map(({ states }) =>
      Uint8Array.from(states, (one) => (one.places[finger] === place ? 1 : 0)),
    );
  }

  /** How many changes a planted finger could stay through at most. */
  reach(finger: number, place: PlaceId): number {
    const can = this.rows.map(({ states }) => states.some((one) => one.places[finger] === place));
    return can.slice(1).filter((one, at) => one && can[at]).length;
  }

  /** What an arrangement that holds so many changes could be worth at best. */
  best(held: number): Worth {
    this.cheapest ??= this.weighed(0, -1, this.holds(0, -1), 0, 0).cost;
    const faith = this.rows.reduce((sum, { states }) => sum + Math.max(...states.map((one) => one.faith)), 0);
    return { held, faith, cost: this.cheapest };
  }

  private change(index: number, from: number, to: number): number {
    const row = this.rows[index]!;
    return this.changes[index - 1]![from * row.states.length + to]! * row.factor;
  }

  /** The best arrangements for some weights of held and faith against cost. */
  seed(finger: number, place: PlaceId, front: Gather): void {
    const holds = this.holds(finger, place);
    for (const [held, faith] of SEEDS) front.add(this.weighed(finger, place, holds, held, faith));
  }

  private weighed(
    finger: number,
    place: PlaceId,
    holds: readonly Uint8Array[],
    heldWeight: number,
    faithWeight: number,
  ): Arrangement {
    const from: Int32Array[] = [];
    let before = this.rows[0]!.states.map((one) => one.cost - faithWeight * one.faith);
    for (let index = 1; index < this.rows.length; index++) {
      const { states } = this.rows[index]!;
      const back = new Int32Array(states.length);
      const next = states.map((one, to) => {
        let best = Number.POSITIVE_INFINITY;
        for (let at = 0; at < before.length; at++) {
          const stays = holds[index - 1]![at]! & holds[index]![to]!;
          const price = before[at]! + this.change(index, at, to) - heldWeight * stays;
          if (price < best - SAME) {
            best = price;
            back[to] = at;
          }
        }
        return best + one.cost - faithWeight * one.faith;
      });
      from.push(back);
      before = next;
    }
    let at = before.indexOf(Math.min(...before));
    const chosen = [at];
    for (let index = this.rows.length - 1; index > 0; index--) {
      at = from[index - 1]![at]!;
      chosen.unshift(at);
    }
    return this.arrangement(chosen, finger, place, holds);
  }

  private arrangement(
    chosen: readonly number[],
    finger: number,
    place: PlaceId,
    holds: readonly Uint8Array[],
  ): Arrangement {
    let [cost, faith, held] = [0, 0, 0];
    for (const [index, at] of chosen.entries()) {
      const one = this.rows[index]!.states[at]!;
      cost += one.cost + (index > 0 ? this.change(index, chosen[index - 1]!, at) : 0);
      faith += one.faith;
      if (index > 0) held += holds[index - 1]![chosen[index - 1]!]! & holds[index]![at]!;
    }
    const states = chosen.map((at, index) => this.rows[index]!.states[at]!.state);
    return { held, faith, cost, states, finger, place };
  }

  /**
   * Every arrangement with a planted finger that nothing on the front covers. For each state, number of changes held
   * and faithful beats the least cost is carried from row to row; what could still become nothing new is dropped.
   * @returns false when there are too many numbers to carry or the steps ran out, and nothing is certain
   */
  exhaust(finger: number, place: PlaceId, front: Gather, steps: Steps): boolean {
    const lattice = this.lattice();
    const widest = Math.max(...this.rows.map(({ states }) => states.length));
    if (!lattice || this.rows.length * widest * lattice.cells > MOST_CELLS) return false;
    const { unit, faiths, cells } = lattice;
    const holds = this.holds(finger, place);
    const ahead = this.bounds(holds);
    const unitsOf = (index: number, at: number) => Math.round(this.rows[index]!.states[at]!.faith / unit);
    let costs: (Float64Array | null)[] = this.rows[0]!.states.map((one, at) => {
      const own = new Float64Array(cells).fill(Number.POSITIVE_INFINITY);
      own[unitsOf(0, at)] = one.cost;
      return own;
    });
    const from: Int16Array[][] = [];
    for (let index = 1; index < this.rows.length; index++) {
      const { states } = this.rows[index]!;
      const back: Int16Array[] = [];
      const next = states.map((one, to): Float64Array | null => {
        const own = new Float64Array(cells).fill(Number.POSITIVE_INFINITY);
        const came = new Int16Array(cells).fill(-1);
        for (const [before, group] of costs.entries()) {
          if (group === null) continue;
          const price = this.change(index, before, to) + one.cost;
          const shift = (holds[index - 1]![before]! & holds[index]![to]!) * faiths + unitsOf(index, to);
          const end = Math.min(cells - shift, index * faiths);
          for (let cell = 0; cell < end; cell++) {
            const cost = group[cell]! + price;
            if (cost < own[cell + shift]! - SAME) {
              own[cell + shift] = cost;
              came[cell + shift] = before;
            }
          }
        }
        steps.left -= costs.length * index * faiths;
        back.push(came);
        return this.dropHopeless(own, index, to, faiths, unit, ahead, front) ? own : null;
      });
      if (steps.left < 0) return false;
      from.push(back);
      costs = next;
    }
    for (const [last, group] of costs.entries()) {
      for (let cell = 0; group !== null && cell < cells; cell++) {
        if (!Number.isFinite(group[cell])) continue;
        const chosen = [last];
        let at = cell;
        for (let index = this.rows.length - 1; index > 0; index--) {
          const to = chosen[0]!;
          const before = from[index - 1]![to]![at]!;
          at -= (holds[index - 1]![before]! & holds[index]![to]!) * faiths + unitsOf(index, to);
          chosen.unshift(before);
        }
        front.add(this.arrangement(chosen, finger, place, holds));
      }
    }
    return true;
  }

  /** Sets to infinity what even at best the front covers; whether anything is left. */
  private dropHopeless(
    own: Float64Array,
    index: number,
    to: number,
    faiths: number,
    unit: number,
    ahead: ReturnType<PlantSearch["bounds"]>,
    front: Gather,
  ): boolean {
    let left = false;
    for (let cell = 0; cell < own.length; cell++) {
      if (own[cell] === Number.POSITIVE_INFINITY) continue;
      const hope = {
        held: Math.floor(cell / faiths) + ahead.held[index]![to]!,
        faith: (cell % faiths) * unit + ahead.faith[index]!,
        cost: own[cell]! + ahead.cost[index]![to]!,
      };
      if (front.covered(hope)) own[cell] = Number.POSITIVE_INFINITY;
      else left = true;
    }
    return left;
  }

  /** Faithful beats as whole numbers of a common unit, and how many pairs of held and faith there can be. */
  private lattice(): { unit: number; faiths: number; cells: number } | null {
    const ticks = this.rows.flatMap(({ states }) => states.map((one) => Math.round(one.faith * TICKS)));
    const unit = ticks.reduce((common, one) => divisor(common, one), 0);
    if (unit === 0) return { unit: 1, faiths: 1, cells: this.rows.length };
    const total = this.rows.reduce((sum, { states }) => sum + Math.max(...states.map((one) => one.faith)), 0);
    const faiths = Math.round((total * TICKS) / unit) + 1;
    const cells = faiths * this.rows.length;
    return cells > MOST_PAIRS ? null : { unit: unit / TICKS, faiths, cells };
  }

  /** From each state to the end: the most changes held, the least cost; and the most faith after a row. */
  private bounds(holds: readonly Uint8Array[]) {
    const last = this.rows.length - 1;
    const held: Float64Array[] = [];
    const cost: Float64Array[] = [];
    const faith: number[] = [];
    held[last] = new Float64Array(this.rows[last]!.states.length);
    cost[last] = new Float64Array(this.rows[last]!.states.length);
    faith[last] = 0;
    for (let index = last - 1; index >= 0; index--) {
      const next = this.rows[index + 1]!.states;
      faith[index] = faith[index + 1]! + Math.max(...next.map((one) => one.faith));
      held[index] = new Float64Array(this.rows[index]!.states.length);
      cost[index] = new Float64Array(this.rows[index]!.states.length).fill(Number.POSITIVE_INFINITY);
      for (let from = 0; from < held[index]!.length; from++) {
        for (let to = 0; to < next.length; to++) {
          const stays = holds[index]![from]! & holds[index + 1]![to]!;
          held[index]![from] = Math.max(held[index]![from]!, stays + held[index + 1]![to]!);
          const price = this.change(index + 1, from, to) + next[to]!.cost + cost[index + 1]![to]!;
          if (price < cost[index]![from]!) cost[index]![from] = price;
        }
      }
    }
    return { held, cost, faith };
  }
}

/** The greatest common divisor. */
const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
