import { fail, ok, type Result, type Ticks } from "../../../base";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "../meter";

/** How hard a stroke is played: light, plain, accented. */
export type Weight = 1 | 2 | 3;
export const PLAIN_WEIGHT: Weight = 2;

/** The picking hand's fingers: thumb, index, middle, ring. */
const PICK_FINGERS = ["p", "i", "m", "a"] as const;
export type PickFinger = (typeof PICK_FINGERS)[number];
/** Strings by thirds of the neck's width: those nearest the face, the middle, those nearest the floor. */
const ZONES = ["L", "M", "H"] as const;
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

/** Into how many a beat is cut; six are the sixteenths of a dotted beat. */
export const SUBDIVISIONS = [2, 3, 4, 6] as const;
export type Subdivision = (typeof SUBDIVISIONS)[number];

export const EVEN = 0.5;
export const MOST_SWING = 0.75;
export const MOST_STROKES = 4096;

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

export type PatternProblem =
  | { readonly code: "empty" }
  | { readonly code: "too-long"; readonly strokes: number }
  | { readonly code: "stroke"; readonly at: number; readonly text: string }
  | { readonly code: "beats-open"; readonly strokes: number; readonly subdivision: number }
  | { readonly code: "subdivision"; readonly subdivision: number }
  | { readonly code: "swing"; readonly swing: number }
  | { readonly code: "no-pairs"; readonly subdivision: number };

const STROKE: Readonly<Record<PatternKind, RegExp>> = Object.freeze({
  strum: /^([DU])(o?)([123])?$/u,
  fingers: /^([pima]{1,4})()([123])?$/u,
  zones: /^([LMH]{1,3})()([123])?$/u,
  free: /^([DU])(o?)([123])?$/u,
});

/** Reads one sign. @example readStroke("D3", "strum") // => { kind: "down", weight: 3 } */
function readStroke(text: string, kind: PatternKind): Stroke | null {
  if (text === "x") return { kind: "dead" };
  if (text === ".") return { kind: "ring" };
  if (text === "-") return { kind: "choke" };
  const match = STROKE[kind].exec(text);
  if (!match) return null;
  const weight = match[3] ? (Number(match[3]) as Weight) : PLAIN_WEIGHT;
  const signs = match[1]!;
  if (kind === "strum" || kind === "free")
    return { kind: signs === "D" ? "down" : "up", weight, ...(match[2] === "o" ? { open: true } : {}) };
  if (new Set(signs).size < signs.length) return null;
  return kind === "fingers"
    ? { kind, fingers: PICK_FINGERS.filter((finger) => signs.includes(finger)), weight }
    : { kind, zones: ZONES.filter((zone) => signs.includes(zone)), weight };
}

const withWeight = (sign: string, weight: Weight): string =>
  weight === PLAIN_WEIGHT ? sign : `${sign}${weight}`;

function formatStroke(stroke: Stroke): string {
  switch (stroke.kind) {
    case "down":
    case "up":
      return withWeight(`${stroke.kind === "down" ? "D" : "U"}${stroke.open ? "o" : ""}`, stroke.weight);
    case "fingers":
      return withWeight(stroke.fingers.join(""), stroke.weight);
    case "zones":
      return withWeight(stroke.zones.join(""), stroke.weight);
    case "dead":
      return "x";
    case "ring":
      return ".";
    case "choke":
      return "-";
  }
}

/** @example formatStrokes(pattern.strokes) // => "D . D U . U D3 U" */
export const formatStrokes = (strokes: readonly Stroke[]): string => strokes.map(formatStroke).join(" ");

/** Whether a stroke begins a sound. */
export const isOnset = (stroke: Stroke): boolean => stroke.kind !== "ring" && stroke.kind !== "choke";

/** How hard a stroke is; a dead one is plain. */
export const weightOf = (stroke: Stroke): Weight => ("weight" in stroke ? stroke.weight : PLAIN_WEIGHT);

/**
 * Reads a pattern: signs with space between, a whole number of beats of them.
 * Signs are `D U` (strum; `Do Uo` over the open strings), any of `p i m a` together (fingers) or of `L M H` (zones of
 * strings), each with a weight 1 to 3 behind it (2 when left out); `x` a dead stroke, `.` let ring, `-` choke.
 * @example readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: "D . D U . U D U" })
 */
export function readPattern(input: {
  readonly meter: Meter;
  readonly subdivision: number;
  readonly swing?: number;
  readonly text: string;
  readonly kind?: PatternKind;
}): Result<Pattern, PatternProblem> {
  const { meter, swing = EVEN, kind = "strum" } = input;
  const subdivision = SUBDIVISIONS.find((one) => one === input.subdivision);
  if (subdivision === undefined || (subdivision === 6 && !isCompound(meter)))
    return fail({ code: "subdivision", subdivision: input.subdivision });
  if (!(swing >= EVEN && swing <= MOST_SWING)) return fail({ code: "swing", swing });
  if (swing !== EVEN && subdivision === 3) return fail({ code: "no-pairs", subdivision });
  const texts = input.text.split(/\s+/u).filter((text) => text !== "");
  if (texts.length === 0) return fail({ code: "empty" });
  if (texts.length > MOST_STROKES) return fail({ code: "too-long", strokes: texts.length });
  const strokes: Stroke[] = [];
  for (const [at, text] of texts.entries()) {
    const stroke = readStroke(text, kind);
    if (!stroke) return fail({ code: "stroke", at, text });
    strokes.push(stroke);
  }
  if (strokes.length % subdivision !== 0)
    return fail({ code: "beats-open", strokes: strokes.length, subdivision });
  return ok({ meter, subdivision, swing, strokes, ...(kind === "free" ? { free: true } : {}) });
}

/** Whether the metre's beat is dotted: 6/8, 9/8, 12/8. */
export const isCompound = (meter: Meter): boolean => beatUnitOf(meter).endsWith(".");

const ticksOfBeat = (meter: Meter): Ticks => ticksOfBeatUnit(beatUnitOf(meter))!;

/** How long a pattern is before it comes round again. */
export const ticksOfPattern = (pattern: Pattern): Ticks =>
  (pattern.strokes.length / pattern.subdivision) * ticksOfBeat(pattern.meter);

/** How many bars it fills; half a bar is 0.5. */
export const barsOfPattern = (pattern: Pattern): number =>
  ticksOfPattern(pattern) / ticksOfBar(pattern.meter);

/** Where each stroke stands, in beats from the start of the pattern, swung as it says. */
export function strokeBeats({
  subdivision,
  swing,
  strokes,
}: Pick<Pattern, "subdivision" | "swing" | "strokes">): readonly number[] {
  const pairs = subdivision / 2;
  return strokes.map((_, at) => {
    const [whole, part] = [Math.floor(at / subdivision), at % subdivision];
    const share =
      subdivision === 3 ? part / 3 : (Math.floor(part / 2) + (part % 2 === 1 ? swing : 0)) / pairs;
    return whole + share;
  });
}

/** The same in ticks. */
export function strokeTicks(pattern: Pattern): readonly Ticks[] {
  const beat = ticksOfBeat(pattern.meter);
  return strokeBeats(pattern).map((beats) => Math.round(beats * beat));
}

/** Where something begins to sound; nowhere in a free pattern, of which no stroke is said. */
export const onsetsOf = (pattern: Pattern): readonly Ticks[] => {
  if (pattern.free) return [];
  const ticks = strokeTicks(pattern);
  return ticks.filter((_, at) => isOnset(pattern.strokes[at]!));
};
