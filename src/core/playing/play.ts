import type { Midi } from "../../base";
import { isOnset, type Pattern, type Stroke, strokeBeats } from "../rhythm";
import type { Onset } from "./onset";
import { ringing } from "./ringing";
import { actsOf, type HeldShape, SPREAD_MS } from "./strokes";

/** Strokes over a beat's subdivisions, one a place; which metre they are of is not asked. */
export type Strokes = Pick<Pattern, "subdivision" | "swing" | "strokes">;

/** A hand that plays something from one beat on: a shape, or pitches, once or in a pattern. */
export type PlayEvent = {
  /** In beats from the beginning. */
  readonly at: number;
  readonly beats: number;
  /** Null sounds no strings. */
  readonly held: HeldShape | null;
  /** Pitches that sound besides, as keys and voices have them. */
  readonly notes: readonly Midi[];
  /** Null strikes once, at its beginning. */
  readonly pattern: Strokes | null;
};

export type PlayOptions = {
  /** When a beat is, ms from the beginning. */
  readonly msOf: (beats: number) => number;
  /** From the first string of a stroke to its last, ms, at most. */
  readonly spreadMs?: number;
};

/** Beats nearer than this are one place. */
const BEATS_ALIKE = 1e-9;

const ONCE: Strokes = { subdivision: 2, swing: 0.5, strokes: [{ kind: "down", weight: 2 }] };

/**
 * What sounds when a hand plays events: each string of each stroke with its pitch, when it begins and how long it rings. A
 * pattern starts at its event, and comes round again or is cut at its end.
 * @example play([{ at: 0, beats: 4, held: { frets: [3, 2, 0, 0, 0, 3], … }, notes: [], pattern }], { msOf: (beat) => beat * 600 })
 */
export function play(events: readonly PlayEvent[], { msOf, spreadMs = SPREAD_MS }: PlayOptions): Onset[] {
  return ringing(
    events.flatMap((event) => {
      const { held, notes } = event;
      const until = msOf(event.at + event.beats);
      const strokes = strokesIn(event).map(({ stroke, at }) => ({
        ms: msOf(at),
        until,
        stroke,
        held,
        notes,
      }));
      return actsOf(strokes, spreadMs);
    }),
  );
}

/** The strokes of an event that do something, at their beats. */
function strokesIn({ at, beats, pattern }: PlayEvent): { stroke: Stroke; at: number }[] {
  const { subdivision, strokes } = pattern ?? ONCE;
  const places = strokeBeats(pattern ?? ONCE);
  const round = strokes.length / subdivision;
  const found: { stroke: Stroke; at: number }[] = [];
  for (let from = 0; from < beats - BEATS_ALIKE; from += round) {
    for (const [index, stroke] of strokes.entries()) {
      const place = from + places[index]!;
      if (place >= beats - BEATS_ALIKE) break;
      if (stroke.kind === "choke" || isOnset(stroke)) found.push({ stroke, at: at + place });
    }
    if (!pattern) break;
  }
  return found;
}
