import type { Midi } from "../../base";
import type { Tuning } from "../pitch";
import { isOnset, type Pattern, type Stroke, strokeBeats, weightOf } from "../rhythm";
import type { Onset, StrokeWay } from "./onset";
import { type Act, ringing } from "./ringing";
import { stringsOf } from "./strings-of-stroke";

/** Strokes over a beat's subdivisions, one a place; which metre they are of is not asked. */
export type Strokes = Pick<Pattern, "subdivision" | "swing" | "strokes">;

/** A hand that plays something from one beat on: a shape, or pitches, once or in a pattern. */
export type PlayEvent = {
  /** In beats from the beginning. */
  readonly at: number;
  readonly beats: number;
  /** A shape on a neck, from the capo; null sounds no strings. */
  readonly held: {
    readonly frets: readonly (number | null)[];
    readonly tuning: Tuning;
    readonly capo: number;
  } | null;
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

/** How long a stroke takes over the strings, ms. Ours, no source. */
export const SPREAD_MS = 12;
/** Of the time until the hand does the next thing a stroke takes at most this share. */
const MOST_OF_GAP = 0.5;
/** A damped string is heard so long, ms. */
const DEAD_MS = 60;
/** MIDI velocities of a light, a plain and an accented stroke. Ours, no source. */
const VELOCITY = Object.freeze({ 1: 60, 2: 85, 3: 110 });

/** Beats nearer than this are one place. */
const BEATS_ALIKE = 1e-9;

const ONCE: Strokes = { subdivision: 2, swing: 0.5, strokes: [{ kind: "down", weight: 2 }] };

/**
 * What sounds when a hand plays events: each string of each stroke with its pitch, when it begins and how long it rings. A
 * pattern starts at its event, and comes round again or is cut at its end.
 * @example play([{ at: 0, beats: 4, held: { frets: [3, 2, 0, 0, 0, 3], … }, notes: [], pattern }], { msOf: (beat) => beat * 600 })
 */
export function play(events: readonly PlayEvent[], options: PlayOptions): Onset[] {
  return ringing(events.flatMap((event) => actsOf(event, options)));
}

function actsOf(event: PlayEvent, { msOf, spreadMs = SPREAD_MS }: PlayOptions): Act[] {
  const until = msOf(event.at + event.beats);
  const struck = strokesIn(event).map(({ stroke, at }) => ({ stroke, ms: msOf(at) }));
  return struck.flatMap(({ stroke, ms }, index): Act[] => {
    if (stroke.kind === "choke") return [{ type: "choke", ms }];
    const gap = (struck[index + 1]?.ms ?? until) - ms;
    return strikesOf(event, stroke, { ms, until, spread: Math.min(spreadMs, gap * MOST_OF_GAP) });
  });
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

const WAY: Readonly<Record<Stroke["kind"], StrokeWay | null>> = Object.freeze({
  down: "down",
  up: "up",
  fingers: "pluck",
  zones: "pluck",
  dead: "dead",
  ring: null,
  choke: null,
});

function strikesOf(
  { held, notes }: PlayEvent,
  stroke: Stroke,
  { ms, until, spread }: { ms: number; until: number; spread: number },
): Act[] {
  const isDead = stroke.kind === "dead";
  const common = {
    type: "strike",
    velocity: VELOCITY[weightOf(stroke)],
    stroke: WAY[stroke.kind],
    until: isDead ? Math.min(until, ms + DEAD_MS) : until,
  } as const;
  const strings = held ? stringsOf(stroke, held.frets) : [];
  // Fingers close at once; a plectrum runs over the strings.
  const step = common.stroke === "pluck" || strings.length < 2 ? 0 : spread / (strings.length - 1);
  return [
    ...strings.map(({ string, fret }, index): Act => {
      const pitch = isDead ? null : held!.tuning[string]! + held!.capo + fret;
      return { ...common, voice: `string ${string}`, ms: ms + index * step, pitch, string };
    }),
    ...notes.map((pitch): Act => {
      const voice = `pitch ${pitch}`;
      return {
        ...common,
        voice,
        ms,
        pitch: isDead ? null : pitch,
        string: null,
        stroke: isDead ? "dead" : null,
      };
    }),
  ];
}
