import type { Midi } from "../../base";
import type { Tuning } from "../pitch";
import { type Stroke, type Weight, weightOf } from "../rhythm";
import type { Onset, StrokeWay } from "./onset";
import { type Act, ringing } from "./ringing";
import { stringsOf } from "./strings-of-stroke";

/** A shape on a neck, from the capo. */
export type HeldShape = {
  readonly frets: readonly (number | null)[];
  readonly tuning: Tuning;
  readonly capo: number;
};

/** What a hand does at one moment: over the strings of a shape, on keys, or both. */
export type StrokeAt = {
  readonly ms: number;
  /** It rings no longer than until then, ms. */
  readonly until: number;
  readonly stroke: Stroke;
  /** Null sounds no strings. */
  readonly held: HeldShape | null;
  /** Pitches that sound besides, as keys and voices have them. */
  readonly notes: readonly Midi[];
  /** How much louder or softer than usual: 1 is as usual. */
  readonly loud?: number;
};

/** How long a stroke takes over the strings, ms. Ours, no source. */
export const SPREAD_MS = 12;
/** Of the time until the hand does the next thing a stroke takes at most this share. */
const MOST_OF_GAP = 0.5;
/** A damped string is heard so long, ms. */
export const DEAD_MS = 60;
/** MIDI velocities of a light, a plain and an accented stroke. Ours, no source. */
const VELOCITY: Readonly<Record<Weight, number>> = Object.freeze({ 1: 60, 2: 85, 3: 110 });

/** The velocity of a stroke, 1 to 127. @example velocityOf(2, 0.5) // => 43 */
export const velocityOf = (weight: Weight, loud = 1): number =>
  Math.min(127, Math.max(1, Math.round(VELOCITY[weight] * loud)));

const WAY: Readonly<Record<Stroke["kind"], StrokeWay | null>> = Object.freeze({
  down: "down",
  up: "up",
  fingers: "pluck",
  zones: "pluck",
  dead: "dead",
  ring: null,
  choke: null,
});

/**
 * What sounds when one hand does things one after the other, in order of time: each string of each stroke with its pitch, when it
 * begins and how long it rings.
 * @example playStrokes([{ ms: 0, until: 500, stroke: { kind: "down", weight: 2 }, held, notes: [] }])
 */
export const playStrokes = (strokes: readonly StrokeAt[], spreadMs: number = SPREAD_MS): Onset[] =>
  ringing(actsOf(strokes, spreadMs));

/** The strikes of strokes, and where they are choked. */
export const actsOf = (strokes: readonly StrokeAt[], spreadMs: number): Act[] =>
  strokes.flatMap((stroke, at): Act[] => {
    const { ms, until } = stroke;
    if (stroke.stroke.kind === "choke") return [{ type: "choke", ms }];
    const gap = (strokes[at + 1]?.ms ?? until) - ms;
    return strikesOf(stroke, Math.min(spreadMs, gap * MOST_OF_GAP));
  });

function strikesOf({ ms, until, stroke, held, notes, loud }: StrokeAt, spread: number): Act[] {
  const isDead = stroke.kind === "dead";
  const common = {
    type: "strike",
    velocity: velocityOf(weightOf(stroke), loud),
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
