import { changeCost, type PlaceId, type Places } from "./change";
import type { Front, Worth } from "./front";

/** A state of a layer, reduced to what a planted arrangement asks of it. */
export type PlantState = {
  /** Which state of the layer it is. */
  readonly state: number;
  readonly places: readonly PlaceId[];
  readonly cost: number;
  /** Beats that sound as the chart says. */
  readonly faith: number;
};

export type PlantRow = { readonly states: readonly PlantState[]; readonly factor: number };

export type Arrangement = Worth & {
  readonly states: readonly number[];
  readonly finger: number;
  readonly place: PlaceId;
};

/** Counts labels made; when none are left the search ends where it is. */
export type Steps = { left: number };

const SAME = 1e-9;
/** Weights tried first, so that the exact search has something to hold its labels against. */
const SEEDS: readonly (readonly [held: number, faith: number])[] = Object.freeze([
  [0, 0],
  [0, 1e6],
  [1e6, 0],
  [1e6, 1e3],
  [1e3, 1e6],
  [0.5, 0],
  [1, 0],
  [2, 0],
  [4, 0],
  [0.5, 0.2],
  [1, 0.5],
  [2, 1],
  [4, 0.5],
  [8, 1],
] as const);

/** Rows with the prices of every change worked out once, for all planted fingers of one capo. */
export class PlantSearch {
  private readonly changes: Float64Array[];
  private cheapest: number | null = null;

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
  seed(finger: number, place: PlaceId, front: Front<Arrangement>): void {
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
   * Every arrangement with a planted finger that nothing on the front covers: labels are carried from row to row and
   * dropped as soon as the best they could still become is covered.
   */
  exhaust(finger: number, place: PlaceId, front: Front<Arrangement>, steps: Steps): void {
    const holds = this.holds(finger, place);
    const ahead = this.bounds(holds);
    const best = (index: number, at: number, label: Label): Worth => ({
      held: label.held + ahead.held[index]![at]!,
      faith: label.faith + ahead.faith[index]!,
      cost: label.cost + ahead.cost[index]![at]!,
    });
    let labels: Label[][] = this.rows[0]!.states.map((one, at) => {
      const label = { held: 0, faith: one.faith, cost: one.cost, at, before: null };
      return front.covered(best(0, at, label)) ? [] : [label];
    });
    for (let index = 1; index < this.rows.length; index++) {
      const { states } = this.rows[index]!;
      labels = states.map((one, to) => {
        const own: Label[] = [];
        for (const [from, group] of labels.entries()) {
          if (group.length === 0) continue;
          const change = this.change(index, from, to) + one.cost;
          const stays = holds[index - 1]![from]! & holds[index]![to]!;
          for (const label of group) {
            if (steps.left-- < 0) return own;
            const next = {
              held: label.held + stays,
              faith: label.faith + one.faith,
              cost: label.cost + change,
              at: to,
              before: label,
            };
            keep(own, next);
          }
        }
        return own.filter((label) => !front.covered(best(index, to, label)));
      });
      if (steps.left < 0) return;
    }
    for (const label of labels.flat().sort((a, b) => a.cost - b.cost)) {
      const chosen: number[] = [];
      for (let one: Label | null = label; one; one = one.before) chosen.unshift(one.at);
      front.add(this.arrangement(chosen, finger, place, holds));
    }
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

type Label = Worth & { readonly at: number; readonly before: Label | null };

/** Puts a label among those of a state, unless one there is as good; those it covers go. */
function keep(own: Label[], label: Label): void {
  for (const one of own)
    if (one.held >= label.held && one.faith >= label.faith && one.cost <= label.cost + SAME) return;
  let kept = 0;
  for (const one of own)
    if (!(label.held >= one.held && label.faith >= one.faith && label.cost <= one.cost)) own[kept++] = one;
  own.length = kept;
  own.push(label);
}
