import { fail, ok, type Result } from "../../base";
import { type Build, buildOf, type Later, laterOf } from "./build";
import { type Clash, type Cut, clashesOf, cutsOf } from "./clashes";
import { type BadPair, Grouping } from "./grouping";
import type { LoopCase } from "./loop-case";
import { type Planned, Searcher } from "./loop-search";
import { bitsOf, maskOf, type Sounding } from "./press";
import { pressesBetween } from "./presses-between";
import { tradeOf } from "./trade";
import { type LoopWay, type PlacedPress, recordedTracks, soundingBefore, wrongLayers } from "./way";

/** A whole plan. Without `exact`, `bound` is what no plan can better. */
export type LoopPlan = LoopWay & {
  readonly clashes: readonly Clash[];
  readonly cuts: readonly Cut[];
  readonly build: Build;
  readonly later: readonly Later[];
  /** What a lower foot cost would cost in wrong bars; not there where that was not asked. */
  readonly trade?: readonly LoopWay[];
  readonly exact: boolean;
  readonly bound?: { readonly wrongBars: number; readonly footCost: number };
};

/** Why there is no plan. */
export type LoopProblem =
  | { readonly code: "no-layers" }
  /** Even without pins the layers can't be put on so few tracks; two lengths that can't share one, where there are such. */
  | { readonly code: "no-grouping"; readonly pair: BadPair | null; readonly tracks: number }
  /** Two layers are pinned to one track that can't share it. */
  | { readonly code: "pins-apart"; readonly pair: BadPair }
  | { readonly code: "pins" };

function problemOf(asked: LoopCase, grouping: Grouping): LoopProblem {
  if (Object.keys(asked.pins).length > 0 && new Grouping({ ...asked, pins: {} }).first()) {
    const pair = grouping.badPair(
      (a, b) => Object.hasOwn(asked.pins, a.id) && asked.pins[a.id] === asked.pins[b.id],
    );
    return pair ? { code: "pins-apart", pair } : { code: "pins" };
  }
  return { code: "no-grouping", pair: grouping.badPair(), tracks: asked.looper.tracks };
}

/** The presses that lead through given states, each boundary's the cheapest. */
function pressesThrough(
  asked: LoopCase,
  recorded: Sounding,
  states: readonly (readonly number[])[],
): PlacedPress[] {
  let sounding = soundingBefore(asked, recorded);
  const goals = [...states.map(maskOf), 0];
  return goals.flatMap((goal, at) => {
    const presses = pressesBetween(sounding, goal, recorded, asked.looper);
    sounding = goal;
    const before = asked.sections[at]?.id ?? null;
    return presses.map((press): PlacedPress => ({ before, ...press }));
  });
}

function wayOf(searcher: Searcher, { blocks, states, foot }: Planned): LoopWay {
  const { asked, grouping } = searcher;
  const trackOf = grouping.tracksOf(blocks);
  const tracks = Array.from({ length: asked.looper.tracks }, (_, track): string[] => {
    const block = trackOf.indexOf(track);
    return block < 0 ? [] : bitsOf(blocks[block]!).map((layer) => asked.layers[layer]!.id);
  });
  const sounding = states.map((state) =>
    bitsOf(state)
      .map((block) => trackOf[block]!)
      .sort((a, b) => a - b),
  );
  const recorded = recordedTracks(tracks);
  return {
    tracks,
    states: sounding,
    presses: pressesThrough(asked, recorded, sounding),
    wrongBars: asked.sections.reduce((sum, { bars }, at) => {
      const { silent, sounding: unwanted } = wrongLayers(asked, { tracks, states: sounding }, at);
      return sum + (silent.length + unwanted.length) * bars;
    }, 0),
    footCost: foot,
  };
}

/**
 * Plans a looper for a song: which layers share a track, which tracks sound in each section, and what the feet do.
 *
 * Least wrong bars first (a layer wanted but silent, or not wanted but sounding, bar by bar), then least foot cost, then
 * fewest tracks, then list order. Clashes, cuts, build and what can wait are told of the plan that is found.
 * @param options `trade: false` leaves the trade out, which is the longer half of the work
 * @returns the plan, or why layers can't be put on so few tracks
 * @example planLoops({ looper: { tracks: 2, … }, layers: [pulse, clap], sections, … })
 */
export function planLoops(
  asked: LoopCase,
  options: { readonly trade?: boolean } = {},
): Result<LoopPlan, LoopProblem> {
  if (asked.layers.length === 0) return fail({ code: "no-layers" });
  const searcher = new Searcher(asked);
  const first = searcher.grouping.first();
  if (!first) return fail(problemOf(asked, searcher.grouping));
  const { planned, exact, bound } = searcher.best(first);
  const way = wayOf(searcher, planned);
  const { perBar } = searcher.wanted;
  const front = options.trade === false ? null : tradeOf(searcher, planned);
  const trade = front?.points.map((point) => wayOf(searcher, point));
  return ok({
    ...way,
    clashes: clashesOf(asked, way),
    cuts: cutsOf(asked, way),
    build: buildOf(asked, way.tracks),
    later: laterOf(asked, way),
    ...(trade ? { trade } : {}),
    exact: exact && (front?.exact ?? true),
    ...(exact ? {} : { bound: { wrongBars: bound.wrong / perBar, footCost: bound.foot } }),
  });
}
