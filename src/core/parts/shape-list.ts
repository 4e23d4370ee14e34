import type { Fingering, MovePart } from "../fretboard";
import type { PlanEvent } from "./plan-request";
import type { PlannedRun, ShapePlan } from "./shape-plan";
import { type HandRequest, requestKey } from "./shapes";

/** A shape of a player's song, once, with where it is used. */
export type ListedShape = {
  /** How it sounds. */
  readonly symbol: string;
  readonly hand: HandRequest;
  readonly fingering: Fingering;
  /** Sections by label, in the order met. */
  readonly where: readonly string[];
  readonly times: number;
  readonly beats: number;
  /** A place it stands at, for choosing another there. */
  readonly event: PlanEvent;
  /** The other places, in the order met. */
  readonly others: readonly PlanEvent[];
};

/** The shapes to learn: each chord with each of its shapes once, in the order they come. */
export function listShapes(plan: ShapePlan): ListedShape[] {
  const listed = new Map<string, ListedShape>();
  for (const { run, path } of plan.runs) {
    for (const [index, event] of run.events.entries()) {
      const fingering = path[index]!;
      const key = `${requestKey({ ...run.hand, symbol: event.symbol })} ${fingering.frets.join()}`;
      const known = listed.get(key);
      listed.set(key, {
        symbol: event.symbol,
        hand: run.hand,
        fingering: known && known.fingering.difficulty <= fingering.difficulty ? known.fingering : fingering,
        where: known ? [...new Set([...known.where, event.section])] : [event.section],
        times: (known?.times ?? 0) + 1,
        beats: (known?.beats ?? 0) + event.beats,
        event: known?.event ?? event,
        others: known ? [...known.others, event] : [],
      });
    }
  }
  return [...listed.values()];
}

/** A change between two chords of the song, with what makes it hard. */
export type ListedChange = {
  readonly from: PlanEvent;
  readonly to: PlanEvent;
  readonly shapes: readonly [Fingering, Fingering];
  readonly capo: number;
  readonly cost: number;
  /** Whether it comes so soon that it counts twice. */
  readonly isQuick: boolean;
  readonly travelMm: number;
  /** What each finger does. */
  readonly parts: readonly MovePart[];
  readonly times: number;
  readonly where: readonly string[];
};

/** The shape of the song that is hardest to hold; of equals the one met first. Null where nothing is held. */
export const hardestShape = (plan: ShapePlan): ListedShape | null =>
  listShapes(plan).toSorted((a, b) => b.fingering.difficulty - a.fingering.difficulty)[0] ?? null;

/** Every change of the song once, the hardest first; of equals the one met first. */
export function listChanges(plan: ShapePlan): ListedChange[] {
  const changes = plan.runs.flatMap((planned) => changesOf(planned));
  const listed = new Map<string, ListedChange>();
  for (const change of changes) {
    const key = [change.from.symbol, change.to.symbol, ...change.shapes.map((one) => one.frets.join())].join(
      " ",
    );
    const known = listed.get(key);
    listed.set(key, {
      ...(known && known.cost >= change.cost ? known : change),
      times: (known?.times ?? 0) + 1,
      where: known ? [...new Set([...known.where, ...change.where])] : change.where,
    });
  }
  return [...listed.values()].sort((a, b) => b.cost - a.cost);
}

const changesOf = ({ run, path, moves }: PlannedRun): ListedChange[] =>
  moves.slice(0, run.events.length - 1).map((move, index) => {
    const [from, to] = [run.events[index]!, run.events[index + 1]!];
    return {
      from,
      to,
      shapes: [path[index]!, path[index + 1]!],
      capo: run.hand.capo,
      cost: move.cost,
      isQuick: move.factor > 1,
      travelMm: move.travelMm,
      parts: move.parts,
      times: 1,
      where: [to.section],
    };
  });
