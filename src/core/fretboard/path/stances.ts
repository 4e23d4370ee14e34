import { FINGERS, leastChange, type Places } from "./change";
import type { Layer } from "./layers";

const MASKS = 1 << FINGERS.length;

/** The states of a layer by where the fingers stand. */
export type Stances = {
  readonly places: readonly (readonly number[])[];
  /** States whose fingers stand alike, for the next change, share a stance. */
  readonly stanceOf: Int32Array;
  /** A state of each stance. */
  readonly stances: readonly number[];
  /** The state of the chord under each; null where nothing is held under. */
  readonly bases: Int32Array | null;
};

/** A layer as numbers, for the search. */
export type Row = Stances & {
  readonly size: number;
  /** What being here costs. */
  readonly costs: Float64Array;
  /** Price of the change into this row. */
  readonly factor: number;
};

/** How the fingers stand in each state. Where a note is played over the next row, each state is its own stance. */
export function stancesOf(states: Layer["states"], isUnder: boolean, places: Places): Stances {
  const ids = states.map((state) => places.of(state.hand));
  const bases = states[0]?.base == null ? null : Int32Array.from(states, (state) => state.base!);
  const known = new Map<string, number>();
  const stances: number[] = [];
  const stanceOf = Int32Array.from(ids, (one, state) => {
    const key = `${one.join()} ${bases?.[state] ?? ""} ${isUnder ? state : ""}`;
    const stance = known.get(key);
    if (stance !== undefined) return stance;
    known.set(key, stances.length);
    return stances.push(state) - 1;
  });
  return { places: ids, stanceOf, stances, bases };
}

export const maskOf = (places: readonly number[]): number =>
  places.reduce((mask, place, at) => (place ? mask | (1 << at) : mask), 0);

/** Stances of a row with the same fingers down, cheapest to go first, as flat arrays. */
export type Group = {
  readonly mask: number;
  readonly states: Int32Array;
  /** What each costs to the end. */
  readonly ahead: Float64Array;
  /** Where its fingers stand, five numbers each. */
  readonly stands: Int32Array;
};

/** A group with the least a change into it costs. */
export type Ordered = { readonly group: Group; readonly least: number };

/** The groups as a hand with these fingers down would try them. */
export const orderFor = (mask: number, groups: readonly Group[], factor: number): Ordered[] =>
  groups
    .map((group) => ({ group, least: leastChange(mask, group.mask) * factor }))
    .sort((a, b) => a.least + a.group.ahead[0]! - b.least - b.group.ahead[0]!);

export function groupsOf(row: Row, ahead: Float64Array): Group[] {
  const cheapest = Int32Array.from(row.stances);
  for (let state = 0; state < row.size; state++) {
    const stance = row.stanceOf[state]!;
    if (ahead[state]! < ahead[cheapest[stance]!]!) cheapest[stance] = state;
  }
  const lists: number[][] = Array.from({ length: MASKS }, () => []);
  for (const state of cheapest) lists[maskOf(row.places[state]!)]!.push(state);
  return lists.flatMap((list, mask): Group[] => {
    if (list.length === 0) return [];
    list.sort((a, b) => ahead[a]! - ahead[b]! || a - b);
    return [
      {
        mask,
        states: Int32Array.from(list),
        ahead: Float64Array.from(list, (state) => ahead[state]!),
        stands: Int32Array.from(list.flatMap((state) => row.places[state]!)),
      },
    ];
  });
}
