import type { Ticks } from "../../../base";
import {
  beatUnitOf,
  formatMeter,
  isCompound,
  type Meter,
  type PatternKind,
  patternOf,
  STRUM_LIBRARY,
  type Subdivision,
  ticksOfBeatUnit,
} from "../../rhythm";
import { type Grid, gridOnsets } from "../../song/read";
import { onsetsInBar } from "../band";

/** What hands do in a bar, by what it is like: each has a pattern in every metre. */
export const FIGURES = [
  "whole",
  "halves",
  "beats",
  "eighths",
  "eighths down",
  "skipping",
  "backbeat skip",
  "half bar",
  "few sixteenths",
  "between",
  "backbeat",
  "hit and stop",
  "free",
  "roll",
  "thumb by turns",
  "pluck together",
  "slow roll",
  "climb",
  "low and high",
  "answers",
] as const;
export type FigureId = (typeof FIGURES)[number];

/** A figure in a metre. Its onsets are those of its text: of one bar, or of the fullest of several. */
export type Figure = {
  readonly name: string;
  /** "hits" are struck, blown, sung or pressed: no strum. */
  readonly kind: PatternKind | "hits";
  readonly meter: Meter;
  readonly subdivision: Subdivision;
  readonly swing: number;
  readonly text: string;
  /** Ticks from the downbeat. */
  readonly onsets: readonly Ticks[];
};

type Plan = {
  /** Its pattern in the library by metre, without the metre's prefix. */
  readonly library: Readonly<Record<string, string>>;
  /** Where it strikes in any other metre. */
  readonly grid: Grid;
  /** The signs it is written with there, in turn; strokes of the swinging hand where left out. */
  readonly signs?: readonly string[];
  readonly kind: PatternKind | "hits";
};

const FIGURE_PLANS: Readonly<Record<FigureId, Plan>> = Object.freeze({
  whole: {
    kind: "strum",
    grid: "downbeat",
    library: { "4/4": "44-whole", "3/4": "34-whole", "6/8": "68-whole", "12/8": "128-whole" },
  },
  halves: { kind: "strum", grid: "halves", library: { "4/4": "44-half", "6/8": "68-two" } },
  beats: {
    kind: "strum",
    grid: "beats",
    library: { "4/4": "44-quarters", "3/4": "34-quarters", "6/8": "68-two", "12/8": "128-four" },
  },
  eighths: {
    kind: "strum",
    grid: "eighths",
    library: { "4/4": "44-eighths", "3/4": "34-eighths", "6/8": "68-eighths", "12/8": "128-eighths" },
  },
  "eighths down": { kind: "strum", grid: "eighths", library: { "4/4": "44-eighths-down" }, signs: ["D"] },
  skipping: {
    kind: "strum",
    grid: "skipping",
    library: { "4/4": "44-skip", "3/4": "34-waltz-up", "6/8": "68-rocking", "12/8": "128-rocking" },
  },
  "backbeat skip": { kind: "strum", grid: "skipping", library: { "4/4": "44-skip-back", "3/4": "34-late" } },
  "half bar": {
    kind: "strum",
    grid: "skipping",
    library: { "4/4": "44-half-sync", "6/8": "68-half", "12/8": "128-half" },
  },
  "few sixteenths": {
    kind: "strum",
    grid: "eighths",
    library: { "4/4": "44-sixteenths-light", "3/4": "34-sixteenths", "6/8": "68-sixteenths" },
  },
  between: { kind: "strum", grid: "offbeats", library: { "4/4": "44-offbeats", "6/8": "68-late" } },
  backbeat: { kind: "strum", grid: "backbeat", library: { "4/4": "44-backbeat" } },
  "hit and stop": { kind: "strum", grid: "downbeat", library: { "4/4": "44-stop" } },
  free: {
    kind: "free",
    grid: "eighths",
    library: { "4/4": "44-free", "3/4": "34-free", "6/8": "68-free", "12/8": "128-free" },
  },
  roll: {
    kind: "fingers",
    grid: "eighths",
    library: { "4/4": "44-roll", "3/4": "34-roll", "6/8": "68-roll", "12/8": "128-roll" },
    signs: ["p", "i", "m", "a", "m", "i"],
  },
  "thumb by turns": {
    kind: "fingers",
    grid: "eighths",
    library: { "4/4": "44-turns" },
    signs: ["p", "m", "p", "i"],
  },
  "pluck together": {
    kind: "fingers",
    grid: "beats",
    library: { "4/4": "44-pluck", "3/4": "34-pluck" },
    signs: ["p", "ima"],
  },
  "slow roll": { kind: "fingers", grid: "beats", library: {}, signs: ["p", "i", "m", "a"] },
  climb: {
    kind: "zones",
    grid: "eighths",
    library: { "4/4": "44-climb", "6/8": "68-climb" },
    signs: ["L", "M", "H", "M"],
  },
  "low and high": {
    kind: "zones",
    grid: "beats",
    library: { "4/4": "44-low-high", "3/4": "34-low-high" },
    signs: ["L", "H"],
  },
  answers: { kind: "hits", grid: "answers", library: {} },
});

const known = new Map<string, Figure>();

/**
 * A figure in a metre: out of the library where that has it, else written from where it strikes.
 * @param asHits where it is no strum: struck on a drum, pressed on keys, sung
 * @example figureIn("skipping", { beats: 4, unit: 4 }).text // => "D . D U . U D U"
 */
export function figureIn(id: FigureId, meter: Meter, asHits = false): Figure {
  const key = `${id} ${formatMeter(meter)} ${asHits}`;
  const before = known.get(key);
  if (before) return before;
  const made = makeFigure(id, meter, asHits);
  known.set(key, made);
  return made;
}

function makeFigure(id: FigureId, meter: Meter, asHits: boolean): Figure {
  const plan = FIGURE_PLANS[id];
  const own = STRUM_LIBRARY.find((one) => one.id === plan.library[formatMeter(meter)]);
  if (own && !asHits) {
    const { name, kind, subdivision, swing, text } = own;
    return { name, kind, meter, subdivision, swing, text, onsets: onsetsOfText(own, meter) };
  }
  const onsets = own ? onsetsOfText(own, meter) : gridOnsets(plan.grid, meter);
  const kind = asHits ? ("hits" as const) : plan.kind;
  return { name: id, kind, meter, swing: 0.5, ...written(onsets, meter, kind, plan.signs), onsets };
}

/** A free strum has no onsets of its own: what its hand swings over counts. */
const onsetsOfText = (pattern: Parameters<typeof patternOf>[0], meter: Meter): readonly Ticks[] =>
  onsetsInBar(patternOf(pattern.kind === "free" ? { ...pattern, kind: "strum" } : pattern), meter);

/** The coarsest text on which every onset has a place. */
function written(
  onsets: readonly Ticks[],
  meter: Meter,
  kind: Figure["kind"],
  signs: readonly string[] | undefined,
): Pick<Figure, "subdivision" | "text"> {
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const bar = (beat * meter.beats) / (isCompound(meter) ? 3 : 1);
  const grids: readonly Subdivision[] = isCompound(meter) ? [3, 6] : [2, 4];
  const subdivision = grids.find((parts) => onsets.every((tick) => (tick * parts) % beat === 0)) ?? grids[1]!;
  const step = beat / subdivision;
  let turn = 0;
  const text = Array.from({ length: Math.round(bar / step) }, (_, at) => {
    if (!onsets.includes(at * step)) return ".";
    if (kind === "hits") return "x";
    if (signs) return signs[turn++ % signs.length]!;
    return (at % subdivision) % 2 === 0 ? "D" : "U";
  }).join(" ");
  return { subdivision, text };
}
