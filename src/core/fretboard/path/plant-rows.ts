import { type PlaceId, QUICK_FACTOR, QUICK_MS } from "./change";
import type { Layer, Layers } from "./layers";

/** A state of a layer, reduced to what a planted arrangement asks of it. */
type PlantState = {
  /** Which state of the layer it is. */
  readonly state: number;
  readonly places: readonly PlaceId[];
  /** Where fingers stand that may be planted: all but a little finger flat over several strings. */
  readonly plants: readonly PlaceId[];
  readonly cost: number;
  /** Beats that sound as the chart says. */
  readonly faith: number;
  /** Whether it is looked at for every planted finger, or only for those it has in place. */
  readonly always: boolean;
};

export type PlantRow = { readonly states: readonly PlantState[]; readonly factor: number };

/** States a chord keeps when no limit is asked for: so many of least price, and the first of each planted finger and pair. */
const KEPT_STANCES = 20;
const LITTLE = 4;

/** A chord's states by where the fingers stand: of those that stand alike and are as faithful, the one of least price. */
export function plantRows({ layers, places }: Layers, beatMs: number, isThinned: boolean): PlantRow[] {
  const stances = new Map<Layer["states"], Map<number, readonly PlantState[]>>();
  const lists = layers.map((layer) => {
    const byBeats = stances.get(layer.states) ?? new Map<number, readonly PlantState[]>();
    stances.set(layer.states, byBeats);
    const known = byBeats.get(layer.beats) ?? stancesOf(layer, places);
    byBeats.set(layer.beats, known);
    return known;
  });
  const distinct = [...new Set(lists)];
  const shared = isThinned ? sharedPlants(distinct) : null;
  const thinned = new Map(distinct.map((list) => [list, shared ? thin(list, shared) : list]));
  return lists.map((list, index): PlantRow => {
    const before = layers[index - 1];
    const factor = before && before.beats * beatMs < QUICK_MS ? QUICK_FACTOR : 1;
    return { states: thinned.get(list)!, factor };
  });
}

function stancesOf(layer: Layer, places: Layers["places"]): PlantState[] {
  const asked = layer.event.kind === "chord" ? layer.event.chord.symbol : null;
  const stances = new Map<string, PlantState>();
  for (const [state, one] of layer.states.entries()) {
    const stand = places.of(one.hand);
    const flat = one.hand.some(({ finger, from, to }) => finger === LITTLE && to > from);
    const isFaithful = asked === null || one.is() === asked;
    const key = `${stand.join()} ${flat} ${isFaithful}`;
    const cost = (one.price * layer.beats) / 4;
    const least = stances.get(key);
    if (!least || cost < least.cost)
      stances.set(key, {
        state,
        places: stand,
        plants: flat ? stand.with(LITTLE, 0) : stand,
        cost,
        faith: isFaithful ? layer.beats : 0,
        always: true,
      });
  }
  return [...stances.values()].sort((a, b) => a.cost - b.cost || a.state - b.state);
}

/** Fingers in place, and pairs of them, by name. */
function* plantsIn({ plants }: PlantState): Generator<string> {
  for (const [finger, place] of plants.entries()) {
    if (place === 0) continue;
    yield `${finger} ${place}`;
    for (const [other, beside] of plants.entries())
      if (other > finger && beside !== 0) yield `${finger} ${place} ${other} ${beside}`;
  }
}

/** What more than one chord can have in place: nothing else can stay through a change between two chords. */
function sharedPlants(lists: readonly (readonly PlantState[])[]): ReadonlySet<string> {
  const seen = new Map<string, number>();
  for (const list of lists)
    for (const name of new Set(list.flatMap((one) => [...plantsIn(one)])))
      seen.set(name, (seen.get(name) ?? 0) + 1);
  return new Set([...seen].flatMap(([name, count]) => (count > 1 || lists.length === 1 ? [name] : [])));
}

/** The first stances of all and the first faithful ones; the others are looked at for the fingers they have in place. */
function thin(all: readonly PlantState[], shared: ReadonlySet<string>): PlantState[] {
  const always = new Set(all.slice(0, KEPT_STANCES));
  for (const one of all.filter(({ faith }) => faith > 0).slice(0, KEPT_STANCES / 2)) always.add(one);
  const kept = new Set(always);
  const seen = new Set<string>();
  for (const one of all)
    for (const name of plantsIn(one)) {
      if (!shared.has(name)) continue;
      const key = `${name} ${one.faith > 0}`;
      if (seen.has(key)) continue;
      seen.add(key);
      kept.add(one);
    }
  return all.filter((one) => kept.has(one)).map((one) => ({ ...one, always: always.has(one) }));
}
