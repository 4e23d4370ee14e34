import { fail, ok, type Result } from "../base";
import { type Build, buildOf, type Later, laterOf } from "./build";
import { type Clash, type Cut, clashesOf, cutsOf } from "./clashes";
import { type BadPair, Grouping } from "./grouping";
import { type LoopCase, wantOf } from "./loop-case";
import { bitsOf, maskOf, pressesBetween, type Sounding } from "./press";
import { type Planned, Searcher } from "./search";
import { tradeOf } from "./trade";
import { type LoopWay, type PlacedPress, recordedTracks, soundingBefore } from "./way";

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

export type LoopProblem =
  | { readonly code: "no-layers" }
  | { readonly code: "no-grouping"; readonly pair: BadPair | null; readonly tracks: number };

/** The presses that lead through given states, each boundary's the cheapest. */
export function pressesThrough(
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

/** Bars of layers wanted and silent, or not wanted and sounding, counted from the plan itself. */
function wrongBarsOf(
  { sections, layers }: LoopCase,
  tracks: LoopWay["tracks"],
  states: LoopWay["states"],
): number {
  return sections.reduce((sum, section, at) => {
    const on = new Set(states[at]!.flatMap((track) => tracks[track]!));
    const wrong = layers.filter(({ id }) => {
      const want = wantOf(section, id);
      return want !== "either" && (want === "on") !== on.has(id);
    });
    return sum + wrong.length * section.bars;
  }, 0);
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
    wrongBars: wrongBarsOf(asked, tracks, sounding),
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
  if (!first)
    return fail({ code: "no-grouping", pair: searcher.grouping.badPair(), tracks: asked.looper.tracks });
  const { planned, exact, bound } = searcher.best(first);
  const way = wayOf(searcher, planned);
  const { perBar } = searcher.wanted;
  const front = options.trade === false ? null : tradeOf(searcher, planned);
  const trade = front?.points.map((point) => wayOf(searcher, point));
  return ok({
    ...way,
    clashes: clashesOf(asked, way),
    cuts: cutsOf(asked, way),
    build: buildOf(asked),
    later: laterOf(asked, way),
    ...(trade ? { trade } : {}),
    exact: exact && (front?.exact ?? true),
    ...(exact ? {} : { bound: { wrongBars: bound.wrong / perBar, footCost: bound.foot } }),
  });
}

/** Why layers can't share so few tracks, apart from planning. */
export const groupingProblem = (asked: Pick<LoopCase, "layers" | "pins" | "looper">): BadPair | null =>
  new Grouping(asked).first() ? null : new Grouping(asked).badPair();
