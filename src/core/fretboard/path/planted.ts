import { ok, type Result } from "../../../base";
import { describeFingers } from "../finger-words";
import type { Fingering } from "../fingerings";
import type { Finger } from "../hand";
import { FINGERS } from "./change";
import type { HandEvent } from "./events";
import { Front, spread } from "./front";
import { type LayerOptions, type LayerProblem, type Layers, layersOf } from "./layers";
import { plantRows } from "./plant-rows";
import {
  type Arrangement,
  type Gather,
  type Plant,
  PlantSearch,
  type Plants,
  SEEDS,
  type Steps,
} from "./plant-search";

export type PlantedOptions = Omit<LayerOptions, "capo"> & {
  /** In the order they are tried. */
  readonly capos: readonly number[];
  readonly beatMs: number;
  /** Search steps at most; past them the best found is given, and `exact` is false. */
  readonly budget?: number | undefined;
  /** Told as the work goes on: so much is done, of so much, and the front as it stands when it has changed. */
  readonly onProgress?: ((done: number, of: number, soFar?: Planted) => void) | undefined;
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
  /** Mean over the changes of the number of planted fingers that stay, 0 to 2. */
  readonly held: number;
  /** Cost of the voice-path a beat. */
  readonly effort: number;
  /** Share of the beats that sound as the chart says. */
  readonly faithfulness: number;
  /** How many changes there are. */
  readonly changes: number;
  /** What the chords really are, each once, as they sound. */
  readonly makes: readonly string[];
  /** Its effort beside that of the most faithful way; null for that way itself. */
  readonly ofPlain: number | null;
  /** The whole in letters, as it sounds. */
  readonly words: string;
};

export type Planted = { readonly front: readonly PlantedPoint[]; readonly exact: boolean };

/** More distinct chords than this are searched by weights only. */
const MOST_EXACT_CHORDS = 8;
const MOST_POINTS = 6;
/** Pairs of shape and hand looked at a chord when no limit is asked for. */
const LOOKED_AT = 600;
/** Sets of planted fingers tried by weights first, of those that could stay longest. */
const MOST_WEIGHED = 24;
/** Sums made at most when no budget is given. */
const BUDGET = 1_500_000_000;
/** How much of the whole work finding the shapes is, for telling progress. */
const SEARCH_SHARE = 0.3;
/** Sets looked at between two tellings. */
const TOLD_EVERY = 200;

/** Where guitarists leave fingers (common practice, no source), as finger, string and fret: tried before all others. */
const ANCHORS: readonly (readonly (readonly [finger: number, string: number, fret: number])[])[] = [
  [
    [3, 4, 3],
    [4, 5, 3],
  ],
  [
    [3, 4, 3],
    [1, 3, 2],
  ],
  [
    [1, 4, 1],
    [2, 2, 2],
  ],
];

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

type Candidate = Arrangement & { readonly capo: number; readonly layers: Layers };

/** One capo's search, with the sets of planted fingers worth a look. */
type Bench = {
  readonly search: PlantSearch;
  readonly capo: number;
  readonly layers: Layers;
  readonly sets: readonly Plants[];
};

/**
 * Planted fingers: over all capos and allowed colours together the arrangements in which one or two fingers stay down
 * through the changes, as a front of what is held, the hand's effort and faithfulness. A place counts with its finger;
 * a little finger flat over several strings is not planted. Exact for up to 8 distinct chords while the budget lasts,
 * over the first `limit` pairs of shape and hand, or without a limit over each chord's first stances and the first that
 * has each finger, and each two, in place; else the best found.
 * @example planted([G, Em, C, D], { tuning, capos: [0], allow: ["sus4", "add9", "7"], beatMs: 500 }).front[0].words
 */
export function planted(
  events: readonly HandEvent[],
  options: PlantedOptions,
): Result<Planted, LayerProblem> {
  const { capos, onProgress } = options;
  const front = new Front<Candidate>();
  const steps: Steps = { left: options.budget ?? BUDGET };
  const beats = events.reduce((sum, event) => sum + event.beats, 0);
  const answer = (exact: boolean): Planted => ({
    front: pointsOf(spread(front.items, MOST_POINTS), beats),
    exact,
  });
  const benches: Bench[] = [];
  for (const [done, capo] of capos.entries()) {
    onProgress?.(done * SEARCH_SHARE, capos.length);
    const found = layersOf(events, { ...options, capo, limit: options.limit ?? LOOKED_AT });
    if (!found.ok) return found;
    const layers = found.value;
    const search = new PlantSearch(
      plantRows(layers, options.beatMs, options.limit === undefined),
      layers.places,
    );
    const bench = { search, capo, layers, sets: setsOf(search, layers) };
    benches.push(bench);
    const gather = gatherInto(front, bench);
    for (const plants of bench.sets.slice(0, MOST_WEIGHED)) {
      const view = search.around(plants);
      for (const weights of SEEDS) gather.add(search.weighed(view, weights));
    }
    onProgress?.((done + 1) * SEARCH_SHARE, capos.length, answer(false));
  }
  const distinct = new Set(events.map((event) => (event.kind === "chord" ? event.chord.symbol : ""))).size;
  let exact = distinct <= MOST_EXACT_CHORDS;
  const all = benches.reduce((sum, { sets }) => sum + sets.length, 0);
  let done = 0;
  for (const bench of exact ? benches : []) {
    for (const plants of bench.sets) {
      if (steps.left <= 0) break;
      const before = front.items;
      exact = bench.search.exhaust(bench.search.around(plants), gatherInto(front, bench), steps) && exact;
      done++;
      if (done % TOLD_EVERY === 0 || front.items !== before)
        onProgress?.(
          SEARCH_SHARE * all + (1 - SEARCH_SHARE) * done,
          all,
          front.items === before ? undefined : answer(false),
        );
    }
  }
  exact &&= steps.left > 0;
  onProgress?.(1, 1);
  return ok(answer(exact));
}

const gatherInto = (front: Front<Candidate>, { capo, layers }: Bench): Gather => ({
  covered: (worth) => front.covered(worth),
  add: (one) => front.add({ ...one, capo, layers }),
});

/** The sets of one or two fingers that could stay: the usual anchors first, then those that could stay longest. */
function setsOf(search: PlantSearch, { places }: Layers): Plants[] {
  const single = search.places;
  const sets: { readonly plants: Plants; readonly reach: number }[] = [];
  for (const [at, one] of single.entries()) {
    for (const other of single.slice(at + 1)) {
      if (!mayGoTogether(one, other, places)) continue;
      const plants = one.finger < other.finger ? [one, other] : [other, one];
      sets.push({ plants, reach: search.reach(plants) });
    }
  }
  // A finger no other goes with stands alone; nothing pressed at all is still a way to play.
  const paired = new Set(sets.flatMap(({ plants }) => plants));
  for (const one of single) if (!paired.has(one)) sets.push({ plants: [one], reach: search.reach([one]) });
  sets.sort((a, b) => b.reach - a.reach);
  const usual = new Set(
    ANCHORS.map((anchor) =>
      anchor
        .map(([finger, string, fret]) => `${finger} ${places.idWithin(string, fret)}`)
        .sort()
        .join(),
    ),
  );
  const nameOf = (plants: Plants) =>
    plants
      .map(({ finger, place }) => `${finger} ${place}`)
      .sort()
      .join();
  const ordered = [
    ...sets.filter(({ plants }) => usual.has(nameOf(plants))),
    ...sets.filter(({ plants }) => !usual.has(nameOf(plants))),
  ].map(({ plants }) => plants);
  return ordered.length > 0 ? ordered : [[]];
}

/** Two fingers, on two strings, no lower finger on a higher fret. */
function mayGoTogether(one: Plant, other: Plant, places: Layers["places"]): boolean {
  if (one.finger === other.finger) return false;
  const [a, b] = [places.spot(one.place), places.spot(other.place)];
  if (a.string === b.string) return false;
  if (one.finger === 0 || other.finger === 0) return true;
  return one.finger < other.finger ? a.fret <= b.fret : b.fret <= a.fret;
}

function pointsOf(candidates: readonly Candidate[], beats: number): PlantedPoint[] {
  const plain = candidates.reduce(
    (best, one) =>
      one.faith > best.faith || (one.faith === best.faith && one.cost < best.cost) ? one : best,
    candidates[0]!,
  );
  return candidates.map((one) => pointOf(one, beats, one === plain ? null : plain.cost));
}

/** @param plainCost what playing the chart most faithfully costs, to tell beside; null for that way itself */
function pointOf(
  { capo, layers, states, plants, cost, held, faith }: Candidate,
  beats: number,
  plainCost: number | null,
): PlantedPoint {
  const chosen = states.map((state, index) => layers.layers[index]!.states[state]!);
  const stands = chosen.map(({ hand }) => layers.places.of(hand));
  const changes = stands.length - 1;
  const told = plants
    .map(
      ({ finger, place }): PlantedFinger => ({
        finger: FINGERS[finger]!,
        ...layers.places.spot(place),
        changes: stands
          .slice(1)
          .filter((stand, at) => stand[finger] === place && stands[at]![finger] === place).length,
      }),
    )
    .filter((one) => one.changes > 0)
    .sort((a, b) => FINGERS.indexOf(a.finger) - FINGERS.indexOf(b.finger));
  const written = chosen.map((one) => one.write());
  const said = {
    planted: told,
    changes,
    makes: [...new Set(chosen.map((one) => one.is()))],
    ofPlain: plainCost && round(cost / plainCost),
  };
  return {
    capo,
    path: layers.layerOf.map((layer) => written[layer]!),
    held: round(held / Math.max(1, changes)),
    effort: round(cost / beats),
    faithfulness: round(faith / beats),
    ...said,
    words: describePlanted(said),
  };
}

/**
 * An arrangement in words.
 * @param nameOf how chords are told
 * @example "ring and little finger never move: G, Cadd9, Dsus4, Em7; 0.8 of the effort"
 */
export function describePlanted(
  {
    planted: fingers,
    changes,
    makes,
    ofPlain,
  }: Pick<PlantedPoint, "planted" | "changes" | "makes" | "ofPlain">,
  nameOf: (symbol: string) => string = (symbol) => symbol,
): string {
  const effort = ofPlain === null ? "" : `; ${ofPlain.toFixed(1)} of the effort`;
  if (fingers.length === 0) return `no finger stays; every change is made as is easiest${effort}`;
  const counts = new Set(fingers.map((one) => one.changes));
  const who = describeFingers(fingers.map((one) => one.finger));
  const [never, stay] = fingers.length > 1 ? ["never move", "stay"] : ["never moves", "stays"];
  if (counts.size === 1 && counts.has(changes))
    return `${who} ${never}: ${makes.map(nameOf).join(", ")}${effort}`;
  if (counts.size === 1) return `${who} ${stay} for ${fingers[0]!.changes} of ${changes} changes${effort}`;
  const [first, ...others] = fingers.map(
    ({ finger, changes: count }, at) =>
      `${describeFingers([finger])} ${at === 0 ? "stays " : ""}for ${count}`,
  );
  return `${[first, ...others].join(", ")} of ${changes} changes${effort}`;
}
