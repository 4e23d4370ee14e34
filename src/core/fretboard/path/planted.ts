import { ok, type Result } from "../../../base";
import { describeFingers } from "../finger-words";
import type { Fingering } from "../fingerings";
import type { Finger } from "../hand";
import { FINGERS, type PlaceId, QUICK_FACTOR, QUICK_MS } from "./change";
import type { HandEvent } from "./events";
import { Front, spread } from "./front";
import { type Layer, type LayerOptions, type LayerProblem, type Layers, layersOf } from "./layers";
import { type Arrangement, type Gather, type PlantRow, PlantSearch, type PlantState } from "./plant-search";

export type PlantedOptions = Omit<LayerOptions, "capo"> & {
  readonly capos: readonly number[];
  readonly beatMs: number;
  /** Search steps at most; past them the best found is given, and `exact` is false. */
  readonly budget?: number | undefined;
  /** Told as the work goes on: so much is done, of so much. */
  readonly onProgress?: ((done: number, of: number) => void) | undefined;
};

type PlantedFinger = {
  readonly finger: Finger;
  readonly string: number;
  readonly fret: number;
  /** Through how many changes it stays. */
  readonly changes: number;
};

export type PlantedPoint = {
  readonly capo: number;
  readonly path: readonly Fingering[];
  readonly planted: readonly PlantedFinger[];
  /** Share of changes through which the planted fingers stay. */
  readonly held: number;
  /** Cost of the voice-path a beat. */
  readonly effort: number;
  /** Share of the beats that sound as the chart says. */
  readonly faithfulness: number;
  readonly words: string;
};

export type Planted = { readonly front: readonly PlantedPoint[]; readonly exact: boolean };

/** More distinct chords than this are searched by weights only. */
const MOST_EXACT_CHORDS = 8;
const MOST_POINTS = 6;
/** States a chord keeps for the search when no limit is asked for: so many easiest stances, and the easiest of each planted finger. */
const KEPT_STANCES = 24;
const KEPT_PLANTED = 3;
/** Pairs of shape and hand looked at a chord when no limit is asked for. */
const LOOKED_AT = 800;
/** Planted fingers tried by weights only, of those that could stay longest. */
const MOST_WEIGHED = 48;
/** Sums made at most when no budget is given. */
const BUDGET = 1_500_000_000;

/** A place no finger has. */
const NOWHERE = -1;

/** How much of the whole work finding the shapes is, for telling progress. */
const SEARCH_SHARE = 0.4;

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

type Candidate = Arrangement & { readonly capo: number; readonly layers: Layers };

/**
 * Planted fingers: over all capos and allowed colours together the arrangements in which one or two fingers stay down
 * through most changes, as a front of hand effort against faithfulness. A place counts with its finger; a second
 * finger is named when it stays wherever the first does. Exact for up to 8 distinct chords while the budget lasts, over
 * the first `limit` pairs of shape and hand, or without a limit over each chord's easiest stances and the easiest that
 * has each finger on each place; else the best found.
 * @example planted([G, Em, C, D], { tuning, capos: [0], allow: ["sus4", "add9", "7"], beatMs: 500 }).front[0].words
 */
export function planted(
  events: readonly HandEvent[],
  options: PlantedOptions,
): Result<Planted, LayerProblem> {
  const { capos, onProgress } = options;
  const front = new Front<Candidate>();
  const steps = { left: options.budget ?? BUDGET };
  const searches: {
    readonly search: PlantSearch;
    readonly capo: number;
    readonly layers: Layers;
  }[] = [];
  for (const [done, capo] of capos.entries()) {
    onProgress?.(done * SEARCH_SHARE, capos.length);
    const found = layersOf(events, { ...options, capo, limit: options.limit ?? LOOKED_AT });
    if (!found.ok) return found;
    const rows = rowsOf(found.value, options.beatMs, options.limit === undefined);
    searches.push({ search: new PlantSearch(rows, found.value.places), capo, layers: found.value });
  }
  const jobs = searches.flatMap((one) => plantedPlaces(one.search).map((place) => ({ ...one, ...place })));
  // Where nothing is ever pressed there is nothing to plant, and still a way to play.
  const [any] = searches;
  if (jobs.length === 0 && any) jobs.push({ ...any, finger: 1, place: NOWHERE, reach: 0 });
  jobs.sort((a, b) => b.reach - a.reach);
  const distinct = new Set(events.map((event) => (event.kind === "chord" ? event.chord.symbol : ""))).size;
  let exact = distinct <= MOST_EXACT_CHORDS;
  const weighed = jobs.slice(0, MOST_WEIGHED);
  const tasks = [
    ...weighed.map((job) => ({ job, isExact: false })),
    ...(exact ? jobs.map((job) => ({ job, isExact: true })) : []),
  ];
  for (const [done, { job, isExact }] of tasks.entries()) {
    const { search, capo, layers, finger, place, reach } = job;
    const own: Gather = {
      covered: (worth) => front.covered(worth),
      add: (one) => front.add({ ...one, capo, layers }),
    };
    if (!isExact) search.around(finger, place).seed(finger, place, own);
    else if (!own.covered(search.best(reach)))
      exact = steps.left > 0 && search.around(finger, place).exhaust(finger, place, own, steps) && exact;
    onProgress?.(SEARCH_SHARE * tasks.length + (1 - SEARCH_SHARE) * (done + 1), tasks.length);
  }
  const beats = events.reduce((sum, event) => sum + event.beats, 0);
  const points = spread(front.items, MOST_POINTS).map((one) => point(one, beats));
  return ok({ front: points, exact });
}

/** A chord's states by where the fingers stand: of those that stand alike and are as faithful, the easiest. */
function rowsOf({ layers, places }: Layers, beatMs: number, isThinned: boolean): PlantRow[] {
  const known = new Map<
    Layer["states"],
    { readonly beats: number; readonly states: readonly PlantState[] }[]
  >();
  return layers.map((layer, index): PlantRow => {
    const before = layers[index - 1];
    const factor = before && before.beats * beatMs < QUICK_MS ? QUICK_FACTOR : 1;
    const lists = known.get(layer.states) ?? [];
    known.set(layer.states, lists);
    const same = lists.find((list) => list.beats === layer.beats);
    if (same) return { states: same.states, factor };
    const asked = layer.event.kind === "chord" ? layer.event.chord.symbol : null;
    const stances = new Map<string, PlantState>();
    for (const [state, one] of layer.states.entries()) {
      const stand = places.of(one.hand);
      const isFaithful = asked === null || one.is() === asked;
      const key = `${stand.join()} ${isFaithful}`;
      const cost = (one.difficulty * layer.beats) / 4;
      const easiest = stances.get(key);
      if (!easiest || cost < easiest.cost)
        stances.set(key, { state, places: stand, cost, faith: isFaithful ? layer.beats : 0, always: true });
    }
    const all = [...stances.values()].sort((a, b) => a.cost - b.cost || a.state - b.state);
    const states = isThinned ? thin(all) : all;
    lists.push({ beats: layer.beats, states });
    return { states, factor };
  });
}

/** The easiest stances of all and the easiest faithful ones; the others are looked at for the fingers they have in place. */
function thin(all: readonly PlantState[]): PlantState[] {
  const always = new Set(all.slice(0, KEPT_STANCES));
  for (const one of all.filter(({ faith }) => faith > 0).slice(0, KEPT_STANCES / 2)) always.add(one);
  const kept = new Set(always);
  const seen = new Map<string, number>();
  for (const one of all) {
    for (const [finger, place] of one.places.entries()) {
      if (place === 0) continue;
      const key = `${finger} ${place} ${one.faith > 0}`;
      const count = seen.get(key) ?? 0;
      if (count === KEPT_PLANTED) continue;
      seen.set(key, count + 1);
      kept.add(one);
    }
  }
  return all.filter((one) => kept.has(one)).map((one) => ({ ...one, always: always.has(one) }));
}

/** Every finger on every place some state has, with the changes it could stay through. */
function plantedPlaces(search: PlantSearch): { finger: number; place: PlaceId; reach: number }[] {
  const seen = new Map<string, { finger: number; place: PlaceId }>();
  for (const { states } of search.rows)
    for (const { places } of states)
      for (const [finger, place] of places.entries())
        if (place !== 0) seen.set(`${finger} ${place}`, { finger, place });
  return [...seen.values()].map((one) => ({ ...one, reach: search.reach(one.finger, one.place) }));
}

function point(
  { capo, layers, states, finger, place, cost, held, faith }: Candidate,
  beats: number,
): PlantedPoint {
  const chosen = states.map((state, index) => layers.layers[index]!.states[state]!);
  const stands = chosen.map(({ hand }) => layers.places.of(hand));
  const changes = Math.max(1, stands.length - 1);
  const stays = (one: number, at: PlaceId) =>
    stands.slice(1).map((stand, index) => stand[one] === at && stands[index]![one] === at);
  const first = stays(finger, place);
  const told = (one: number, at: PlaceId): PlantedFinger => ({
    finger: FINGERS[one]!,
    ...layers.places.spot(at),
    changes: stays(one, at).filter(Boolean).length,
  });
  const second = FINGERS.flatMap((_, one): PlantedFinger[] => {
    if (one === finger || held === 0) return [];
    const at = stands[first.indexOf(true)]![one]!;
    const also = at === 0 ? [] : stays(one, at);
    return at !== 0 && first.every((stay, index) => !stay || also[index]) ? [told(one, at)] : [];
  }).sort((a, b) => b.changes - a.changes)[0];
  const fingers = held === 0 ? [] : [told(finger, place), ...(second ? [second] : [])];
  const order = [...fingers].sort((a, b) => FINGERS.indexOf(a.finger) - FINGERS.indexOf(b.finger));
  const written = chosen.map((one) => one.write());
  const verb = order.length > 1 ? "stay" : "stays";
  const words =
    order.length === 0
      ? "no finger stays; every change is made as is easiest"
      : `${describeFingers(order.map((one) => one.finger))} ${verb} for ${held} of ${stands.length - 1} changes`;
  return {
    capo,
    path: layers.layerOf.map((layer) => written[layer]!),
    planted: order,
    held: round(held / changes),
    effort: round(cost / beats),
    faithfulness: round(faith / beats),
    words,
  };
}
