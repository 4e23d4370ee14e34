import { fail, ok, type Result } from "../../../base";
import type { Meter } from "../meter";
import {
  EVEN,
  isCompound,
  MOST_SWING,
  type Pattern,
  type PatternKind,
  PICK_FINGERS,
  PLAIN_WEIGHT,
  type Stroke,
  SUBDIVISIONS,
  type Weight,
  ZONES,
} from "./pattern";

export const MOST_STROKES = 4096;

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
