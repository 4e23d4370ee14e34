import { divides, type LoopCase, wantOf } from "../../src/core/loops/loop-case";
import { NO_PEDAL, type PedalPrices } from "../../src/core/loops/pedal-prices";
import { afterPress, bitsOf, costOfPress, type Pedal } from "../../src/core/loops/press";

/** Figures of a plan, found by trying everything. */
export type SlowPoint = { readonly wrongBars: number; readonly footCost: number; readonly used: number };

/** What a press costs on top: of a pair the dearer half; null where no pedal of a pair does its part. */
function slowMore(pedal: Pedal, state: number, prices: PedalPrices | undefined): number | null {
  if (!prices) return 0;
  const own = (track: number) => (state & (1 << track) ? prices.stop[track] : prices.start[track]) ?? null;
  if (pedal.press === "track") return own(pedal.track) ?? NO_PEDAL;
  if (pedal.press !== "pair") return pedal.press === "start-all" ? prices.startAll : prices.stopAll;
  const both = pedal.tracks.map(own);
  return both.includes(null) ? null : Math.max(...both.map((price) => price!));
}

/** The cheapest presses between any two states of the recorded tracks, one press after the other. */
export function slowCosts(recorded: number, looper: LoopCase["looper"]) {
  const { allStart, allStop, quantised, toggleAll, prices } = looper;
  const pedals: Pedal[] = [
    ...bitsOf(recorded).map((track): Pedal => ({ press: "track", track })),
    ...(prices?.pairs ?? []).map((tracks): Pedal => ({ press: "pair", tracks })),
    ...(allStart ? [{ press: "start-all" } as const] : []),
    ...(allStop ? [{ press: "stop-all" } as const] : []),
  ];
  return (from: number): ReadonlyMap<number, number> => {
    const best = new Map([[from, 0]]);
    let reached = new Map([[from, 0]]);
    for (let pressed = 0; pressed < 2 * pedals.length; pressed++) {
      const next = new Map<number, number>();
      for (const [state, cost] of reached)
        for (const pedal of pedals) {
          if (toggleAll && pedal.press === "start-all" && state !== 0) continue;
          const after = afterPress(state, recorded, pedal);
          if (after === null) continue;
          const effect = (after & ~state) !== 0 ? "start" : "stop";
          const more = slowMore(pedal, state, prices);
          if (more === null) continue;
          const total = cost + costOfPress({ effect, late: pressed > 0 && !quantised, more });
          next.set(after, Math.min(total, next.get(after) ?? Number.POSITIVE_INFINITY));
        }
      for (const [state, cost] of next)
        best.set(state, Math.min(cost, best.get(state) ?? Number.POSITIVE_INFINITY));
      reached = next;
    }
    return best;
  };
}

/** The most tracks that any grouping uses, each pass on its own while tracks last. */
const mostTracks = (asked: LoopCase): number =>
  Math.max(
    0,
    ...[...everyGrouping({ ...asked, spread: false })].map((on) =>
      Math.min(new Set(on).size, asked.layers.length),
    ),
  );

/** Every layer on every track, pins kept. */
function* everyGrouping(asked: LoopCase, at = 0, on: readonly number[] = []): Generator<readonly number[]> {
  if (at === asked.layers.length) {
    const lengthsOn = (track: number) =>
      asked.layers.filter((_, layer) => on[layer] === track).map(({ bars }) => bars);
    for (let track = 0; track < asked.looper.tracks; track++) {
      const lengths = lengthsOn(track);
      if (!lengths.every((bars) => divides(bars, Math.max(...lengths)))) return;
    }
    if (!asked.spread || new Set(on).size === mostTracks(asked)) yield on;
    return;
  }
  const pin = asked.pins[asked.layers[at]!.id];
  for (let track = 0; track < asked.looper.tracks; track++)
    if (pin === undefined || pin === track) yield* everyGrouping(asked, at + 1, [...on, track]);
}

/**
 * Every grouping and every row of states, one by one: for small cases only.
 * @returns all figures that can be had, best first by the engine's objective
 */
export function slowLoops(asked: LoopCase): SlowPoint[] {
  const points = new Map<string, SlowPoint>();
  for (const on of everyGrouping(asked)) {
    const recorded = on.reduce((mask, track) => mask | (1 << track), 0);
    const costsFrom = slowCosts(recorded, asked.looper);
    const known = new Map<number, ReadonlyMap<number, number>>();
    const cost = (from: number, to: number) => {
      const row = known.get(from) ?? costsFrom(from);
      known.set(from, row);
      return row.get(to)!;
    };
    const states = Array.from({ length: 1 << asked.looper.tracks }, (_, mask) => mask).filter(
      (mask) => (mask & ~recorded) === 0,
    );
    const walk = (at: number, state: number, wrongBars: number, footCost: number): void => {
      const section = asked.sections[at];
      if (!section) {
        const total = footCost + cost(state, 0);
        const used = bitsOf(recorded).length;
        const key = `${wrongBars.toFixed(6)} ${total} ${used}`;
        points.set(key, { wrongBars, footCost: total, used });
        return;
      }
      for (const next of states) {
        const wrong = asked.layers.filter(({ id }, layer) => {
          const want = wantOf(section, id);
          return want !== "either" && (want === "on") !== ((next >> on[layer]!) & 1) > 0;
        }).length;
        walk(at + 1, next, wrongBars + wrong * section.bars, footCost + cost(state, next));
      }
    };
    walk(0, asked.startFrom === "running" || asked.listen ? recorded : 0, 0, 0);
  }
  return [...points.values()].sort(
    (a, b) => Math.round((a.wrongBars - b.wrongBars) * 1e6) || a.footCost - b.footCost || a.used - b.used,
  );
}

/** The Pareto points below the optimum's foot cost, dearest foot first. */
export function slowTrade(points: readonly SlowPoint[]): { wrongBars: number; footCost: number }[] {
  const [best] = points;
  const byFoot = points.toSorted((a, b) => a.footCost - b.footCost || a.wrongBars - b.wrongBars);
  const front: { wrongBars: number; footCost: number }[] = [];
  for (const { wrongBars, footCost } of byFoot)
    if (footCost < best!.footCost && wrongBars < (front[0]?.wrongBars ?? Number.POSITIVE_INFINITY) - 1e-9)
      front.unshift({ wrongBars, footCost });
  return front;
}
