import { parseChord } from "../chord";
import {
  type Fingering,
  type HandEvent,
  type HeldShape,
  highestFret,
  type Move,
  USUAL_LAST_FRET,
  voicePath,
} from "../fretboard";
import { movedPlaces } from "./moved-places";
import type { PlanEvent, PlanRequest, PlanRun } from "./plan-request";
import { optionsOf, requestKey } from "./shapes";

export type PlannedRun = {
  readonly run: PlanRun;
  /** A fingering an event. */
  readonly path: readonly Fingering[];
  readonly moves: readonly Move[];
};

export type ShapePlan = {
  readonly runs: readonly PlannedRun[];
  readonly cost: number;
  readonly greedyCost: number;
  readonly exact: boolean;
};

/** Pairs of shape and hand looked at for each chord. */
const CANDIDATES = 100;
/**
 * A song's shapes are at most so much dearer than their chord's first, and the hands for them so much again: a player
 * would rather lift a finger than learn a thinner chord or an odd barre. A bass that is not the root is often one
 * finger away from the chord before: there the way decides a little more, and where the same chord stands over another
 * bass beside it (G, G/F♯), hands may be dearer, so that the other fingers lie. Ours, no source.
 */
const NEAR = Object.freeze({ shapes: 0.25, overBass: 0.8, hands: 0.3, walk: 1.2 });

/** A chord for the hand. @param isMoved whether `only` is a place of a moved shape: held whatever would be found */
const eventOf = (
  { symbol, beats, lock, fingers, book }: PlanEvent,
  only: HeldShape | null,
  isMoved: boolean,
): HandEvent[] => {
  const chord = parseChord(symbol);
  if (!chord.ok) return [];
  const kept = isMoved && only ? [only] : book;
  const among = kept.length > 0 ? { among: kept } : {};
  const chosen = lock && fingers ? { frets: lock, fingers } : only;
  const held = { ...(lock ? { lock } : among), ...(chosen ? { only: chosen } : {}) };
  return [{ kind: "chord", chord: chord.value, beats, ...held }];
};

/**
 * The shapes of a song on the hand's shortest way. Without `vary` each chord keeps one shape in a run, and its fingers:
 * those the way takes for most of its beats; the rest is then planned again around those. Locks hold in any case, even where
 * no hand is known to hold them.
 */
export function planShapes({ runs, beatMs, vary }: PlanRequest): ShapePlan {
  const planned: PlannedRun[] = [];
  let [cost, greedyCost, exact] = [0, 0, true];
  for (const run of runs) {
    const hand = optionsOf(run.hand);
    const options = {
      ...hand,
      maxFret: highestLock(run, hand.maxFret ?? USUAL_LAST_FRET),
      limit: CANDIDATES,
      near: NEAR,
      beatMs,
      gaps: "skip" as const,
    };
    const places = run.hand.moved ? movedPlaces(run, options) : null;
    const through = (isLocked: boolean, usual?: ReadonlyMap<string, HeldShape>) =>
      voicePath(
        run.events.flatMap((event) =>
          eventOf(
            isLocked ? event : { ...event, lock: null },
            usual?.get(event.symbol) ?? places?.get(event.symbol) ?? null,
            places !== null,
          ),
        ),
        options,
      );
    const held = through(true);
    const first = held.ok ? held : through(false);
    if (!first.ok) continue;
    const usual = vary ? null : usualShapes(run.events, first.value.path);
    const second = usual && through(held.ok, usual);
    const { path, moves, ...sums } = second?.ok ? second.value : first.value;
    planned.push({ run, path, moves });
    cost += sums.cost;
    greedyCost += first.value.greedyCost;
    exact &&= sums.exact;
  }
  return { runs: planned, cost, greedyCost, exact };
}

/** As far up the neck as somebody chose or keeps a shape, and at least as far as shapes are looked for. */
const highestLock = ({ events }: PlanRun, least: number): number =>
  events.reduce(
    (most, { lock, book }) =>
      [lock ?? [], ...book.map(({ frets }) => frets)].reduce((top, frets) => highestFret(frets, top), most),
    least,
  );

/** By symbol the shape, and the fingers it is held with, that sound for most beats of it; of two the one met first. */
export function usualShapes(
  events: readonly (Pick<PlanEvent, "symbol" | "beats"> & Partial<Pick<PlanEvent, "lock">>)[],
  path: readonly Pick<Fingering, "frets" | "fingers">[],
): Map<string, HeldShape> {
  const beats = new Map<string, Map<string, HeldShape & { beats: number }>>();
  for (const [index, event] of events.entries()) {
    if (event.lock) continue;
    const shapes = beats.get(event.symbol) ?? new Map<string, HeldShape & { beats: number }>();
    beats.set(event.symbol, shapes);
    const { frets, fingers } = path[index]!;
    const id = `${frets.join()} ${fingers.join()}`;
    shapes.set(id, { frets, fingers, beats: (shapes.get(id)?.beats ?? 0) + event.beats });
  }
  return new Map(
    [...beats].flatMap(([symbol, shapes]): [string, HeldShape][] => {
      const most = mostHeld([...shapes.values()]);
      return most.frets.every((fret) => fret === null) ? [] : [[symbol, most]];
    }),
  );
}

/** Of the ways a chord is held: of the frets that sound longest, the fingers they are held with longest. */
function mostHeld(ways: readonly (HeldShape & { readonly beats: number })[]): HeldShape {
  const beatsOf = ({ frets }: HeldShape) =>
    ways.reduce((sum, one) => sum + (one.frets.join() === frets.join() ? one.beats : 0), 0);
  return ways.reduce((best, one) => {
    const more = beatsOf(one) - beatsOf(best);
    return more > 0 || (more === 0 && one.beats > best.beats) ? one : best;
  });
}

/** What chosen and kept shapes really make, as it sounds, where that is another chord: by {@link requestKey} and frets. */
export function chosenAs(plan: ShapePlan): ReadonlyMap<string, string> {
  const made = new Map<string, string>();
  for (const { run, path } of plan.runs)
    for (const [index, { lock, book, symbol }] of run.events.entries()) {
      const { is, frets } = path[index]!;
      if ((lock || book.length > 0) && is !== symbol)
        made.set(`${requestKey({ ...run.hand, symbol })} ${frets.join()}`, is);
    }
  return made;
}

/** What the hand holds before a chord of a song and after it, where it is planned; null where it begins or ends there. */
export function neighboursOf(
  plan: ShapePlan,
  spot: { readonly useId: string; readonly chordId: string },
): { readonly before: Fingering | null; readonly after: Fingering | null } {
  for (const { run, path } of plan.runs) {
    const at = run.events.findIndex((one) => one.chordId === spot.chordId && one.useId === spot.useId);
    if (at >= 0) return { before: path[at - 1] ?? null, after: path[at + 1] ?? null };
  }
  return { before: null, after: null };
}

/** The planned shape of each chord by {@link requestKey}: where a player's parts, stage and print look them up. */
export function shapesOfPlan(plan: ShapePlan): ReadonlyMap<string, Fingering> {
  const shapes = new Map<string, Fingering>();
  for (const { run, path } of plan.runs) {
    for (const [index, event] of run.events.entries()) {
      const key = requestKey({ ...run.hand, symbol: event.symbol });
      const found = path[index]!;
      if (event.lock || shapes.has(key) || found.frets.every((fret) => fret === null)) continue;
      shapes.set(key, found);
    }
  }
  return shapes;
}
