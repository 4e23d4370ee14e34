import { fail, ok, type Result } from "../../../base";
import { stringNames } from "../../pitch";
import type { Fingering } from "../fingerings";
import { changeCost, QUICK_FACTOR, QUICK_MS } from "./change";
import { describeMove, type MovePart, type Moves, movesBetween, partsOfMove } from "./describe-hand-move";
import type { HandEvent } from "./events";
import { type Layer, type LayerOptions, type LayerProblem, layersOf, type State } from "./layers";
import { PathSearch, type Shortest } from "./shortest";

export type VoicePathOptions = LayerOptions & {
  /** Milliseconds one beat lasts. */
  readonly beatMs: number;
  /** Whether the last event leads back to the first, and that change is charged too. */
  readonly cyclic?: boolean;
  /** Search steps at most; past them a good path is given, `exact` is false and `bound` a cost no path is below. */
  readonly budget?: number | undefined;
};

/** A change between two events: what the fingers do, what it costs, and how often that is counted. */
export type Move = Moves & {
  readonly factor: number;
  readonly cost: number;
  /** Finger by finger; nothing where the chord rings on. */
  readonly parts: readonly MovePart[];
  /** The same in words, strings in letters. */
  readonly why: string;
};

export type VoicePath = {
  /** A fingering an event. */
  readonly path: readonly Fingering[];
  /** Between each event and the next; with `cyclic`, last also from the end to the start. */
  readonly moves: readonly Move[];
  readonly cost: number;
  /** What the easiest first shape and then always the cheapest next would cost. */
  readonly greedyCost: number;
  readonly exact: boolean;
  readonly bound?: number;
};

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

/**
 * The cheapest way of the hand through a list of events.
 *
 * Cost = Σ price × beats/4 + Σ change × factor. For each finger: placed 1, lifted 0.5, kept on its string and
 * fret 0, slid along its string 0.5 + 0.02 a mm, moved 1.5 + 0.02 × (mm along the neck + 8 mm a string crossed);
 * the factor is 2 after an event shorter than 700 ms, else 1. Weights are ours, no source. Exact over all
 * fingerings and hands, or over the easiest `limit` of each event.
 * @example voicePath([G, C, D], { tuning, beatMs: 500 }).value.path.map((one) => one.frets)
 */
export function voicePath(
  events: readonly HandEvent[],
  options: VoicePathOptions,
): Result<VoicePath, LayerProblem> {
  const found = layersOf(events, options);
  if (!found.ok) return found;
  const { layers, layerOf, places } = found.value;
  const factorAfter = (layer: Layer) => (layer.beats * options.beatMs < QUICK_MS ? QUICK_FACTOR : 1);
  const factors = layers.map((_, index) => (index === 0 ? 1 : factorAfter(layers[index - 1]!)));
  const closing = options.cyclic ? factorAfter(layers.at(-1)!) : null;
  const budget = options.budget ?? Number.POSITIVE_INFINITY;
  const full = new PathSearch(layers, places, factors, closing, { left: budget });
  let search = full;
  let used = layers;
  let shortest = full.run();
  for (let most = Math.max(1, Math.floor(Math.sqrt(budget / layers.length))); !shortest; most *= 2) {
    used = trim(layers, most);
    if (used.some(({ states }) => states.length === 0)) continue;
    search = new PathSearch(used, places, factors, null, { left: Number.POSITIVE_INFINITY });
    const trimmed = search.run()!;
    if (Number.isFinite(trimmed.cost) || most > mostStates(layers)) shortest = trimmed;
  }
  if (!Number.isFinite(shortest.cost)) return fail({ code: "no-hand", index: events.length - 1 });
  const complete = search === full && found.value.exact;
  const trimmed = closing === null ? search : new PathSearch(used, places, factors, closing, { left: 0 });
  const greedy = trimmed.greedy();
  const closed = { states: shortest.states, cost: trimmed.costOf(shortest.states) };
  const best: Shortest = closed.cost <= greedy.cost ? closed : greedy;
  const states = best.states.map((state, index) => used[index]!.states[state]!);
  const ids = states.map(({ hand }) => places.of(hand));
  const write = once((state: State) => state.write());
  const written = states.map(write);
  // A song repeats itself: each change is told once.
  const told = new Map<string, Move>();
  const strings = stringNames(options.tuning);
  const move = (from: number, to: number, factor: number): Move => {
    const [before, after] = [ids[from]!, ids[to]!];
    const key = `${before.join()} ${after.join()} ${factor}`;
    const parts = partsOfMove(places, before, after);
    const known = told.get(key) ?? {
      ...movesBetween(places, before, after),
      factor,
      cost: round(changeCost(places, before, after) * factor),
      parts,
      why: describeMove(parts, strings),
    };
    told.set(key, known);
    return known;
  };
  const still: Move = {
    ...movesBetween(places, [0, 0, 0, 0, 0], [0, 0, 0, 0, 0]),
    factor: 1,
    cost: 0,
    parts: [],
    why: "rings on",
  };
  const moves = layerOf.slice(1).map((layer, index) => {
    const before = layerOf[index]!;
    return layer === before ? still : move(before, layer, factors[layer]!);
  });
  if (closing !== null && layers.length > 1) moves.push(move(layers.length - 1, 0, closing));
  return ok({
    path: layerOf.map((layer) => written[layer]!),
    moves,
    cost: round(best.cost),
    // The greedy way may end where no note can be played over what it holds.
    greedyCost: round(Number.isFinite(greedy.cost) ? greedy.cost : best.cost),
    exact: complete,
    ...(complete ? {} : { bound: round(lowerBound(layers)) }),
  });
}

/** A function whose answer to the same thing is worked out once. */
function once<From extends object, To>(make: (from: From) => To): (from: From) => To {
  const known = new Map<From, To>();
  return (from) => {
    const answer = known.get(from) ?? make(from);
    known.set(from, answer);
    return answer;
  };
}

/** The easiest states of each layer only, and over a trimmed chord only what lies over what is left of it. */
function trim(layers: readonly Layer[], most: number): Layer[] {
  return layers.map((layer) => {
    const states = layer.states.filter((state) => state.base === null || state.base < most);
    return { ...layer, states: states[0]?.base == null ? states.slice(0, most) : states };
  });
}

const mostStates = (layers: readonly Layer[]): number =>
  Math.max(...layers.map(({ states }) => states.length));

/** No path costs less than the easiest state of every layer. */
const lowerBound = (layers: readonly Layer[]): number =>
  layers.reduce(
    (sum, { states, beats }) => sum + (Math.min(...states.map(({ price }) => price)) * beats) / 4,
    0,
  );
