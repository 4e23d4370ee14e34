import { beatUnitOf, type Meter } from "../meter";

/** How hard a stroke is played: light, plain, accented. */
export type Weight = 1 | 2 | 3;
export const PLAIN_WEIGHT: Weight = 2;

/** The picking hand's fingers: thumb, index, middle, ring. */
export const PICK_FINGERS = ["p", "i", "m", "a"] as const;
export type PickFinger = (typeof PICK_FINGERS)[number];
/** Strings by thirds of the neck's width: those nearest the face, the middle, those nearest the floor. */
export const ZONES = ["L", "M", "H"] as const;
export type Zone = (typeof ZONES)[number];

/**
 * What the hand does on one subdivision of a beat: a stroke down or up over the strings, fingers or a zone of strings
 * plucked, a dead stroke on damped strings; or nothing: what sounds rings on, or is choked. An open stroke is over the open
 * strings, while the other hand is on its way to the next chord.
 */
export type Stroke =
  | { readonly kind: "down" | "up"; readonly weight: Weight; readonly open?: true }
  | { readonly kind: "fingers"; readonly fingers: readonly PickFinger[]; readonly weight: Weight }
  | { readonly kind: "zones"; readonly zones: readonly Zone[]; readonly weight: Weight }
  | { readonly kind: "dead" }
  | { readonly kind: "ring" }
  | { readonly kind: "choke" };

/**
 * Which signs a pattern is written with. A free one is written as a strum: its strokes are the swing of the hand, and any of
 * them may be struck or not.
 */
export const PATTERN_KINDS = ["strum", "fingers", "zones", "free"] as const;
export type PatternKind = (typeof PATTERN_KINDS)[number];

/** What a free pattern says. */
export const FREE_WORDS = "free: any stroke on the swing of the hand";

/** Into how many a beat is cut; six are the sixteenths of a dotted beat. */
export const SUBDIVISIONS = [2, 3, 4, 6] as const;
export type Subdivision = (typeof SUBDIVISIONS)[number];

export const EVEN = 0.5;
export const MOST_SWING = 0.75;
/** A strum or picking pattern: one stroke a subdivision of the metre's own beat. */
export type Pattern = {
  readonly meter: Meter;
  readonly subdivision: Subdivision;
  /** The share of a pair of subdivisions its first takes: 0.5 is even. */
  readonly swing: number;
  readonly strokes: readonly Stroke[];
  /** Whether any stroke on the swing is right: only the metre is said. */
  readonly free?: true;
};

/** Whether a stroke begins a sound. */
export const isOnset = (stroke: Stroke): boolean => stroke.kind !== "ring" && stroke.kind !== "choke";

/** How hard a stroke is; a dead one is plain. */
export const weightOf = (stroke: Stroke): Weight => ("weight" in stroke ? stroke.weight : PLAIN_WEIGHT);

/** Whether the metre's beat is dotted: 6/8, 9/8, 12/8. */
export const isCompound = (meter: Meter): boolean => beatUnitOf(meter).endsWith(".");
