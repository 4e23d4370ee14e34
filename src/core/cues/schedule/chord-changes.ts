import type { Ticks } from "../../../base";
import type { Level } from "../../fretboard";
import type { ShapePlan } from "../../parts";
import type { Timeline } from "../../song/read";

/** A left hand that goes from one shape to the next: when the next one sounds, and how long the hand takes. */
export type ChordChange = {
  readonly tick: Ticks;
  readonly from: string;
  readonly to: string;
  readonly ms: number;
};

/**
 * How long a change takes, ms: so much for any, so much for each unit of the voice-path's cost (a finger placed is 1), and how
 * much slower a hand that is still learning is. Ours, no source.
 */
const CHANGE_MS = Object.freeze({ any: 40, unit: 30 });
const SLOWNESS: Readonly<Record<Level, number>> = Object.freeze({ fluent: 1, steady: 1.35, beginner: 1.8 });

/** @param cost of the move, without what a quick change is charged more */
export const changeMs = (cost: number, level: Level): number =>
  Math.round((CHANGE_MS.any + CHANGE_MS.unit * cost) * SLOWNESS[level]);

/**
 * Every change of a plan of shapes with its place in the song. Events of the plan come in the timeline's order; a shape that
 * stays is no change.
 * @param nameOf how a chord that sounds is told behind a capo
 */
export function chordChanges(
  timeline: Timeline,
  plan: ShapePlan,
  level: Level,
  nameOf: (symbol: string, capo: number) => string = (symbol) => symbol,
): ChordChange[] {
  const places = timeline.passages.flatMap(({ use, lines }) =>
    lines.flatMap(({ outline, events }) =>
      outline.chords.map(({ chord }, at) => ({ useId: use.id, chordId: chord.id, tick: events[at]!.tick })),
    ),
  );
  let next = 0;
  return plan.runs.flatMap(({ run, path, moves }) => {
    let before: { readonly name: string; readonly at: number } | null = null;
    return run.events.flatMap((event, at): ChordChange[] => {
      const found = places.findIndex(
        (place, index) => index >= next && place.useId === event.useId && place.chordId === event.chordId,
      );
      if (found < 0 || !path[at]) return [];
      next = found + 1;
      const last = before;
      const now = { name: nameOf(event.symbol, run.hand.capo), at };
      before = now;
      const move = last ? moves[last.at] : undefined;
      if (!last || !move || move.cost === 0) return [];
      const ms = changeMs(move.cost / move.factor, level);
      return [{ tick: places[found]!.tick, from: last.name, to: now.name, ms }];
    });
  });
}
