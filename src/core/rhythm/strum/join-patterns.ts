import { fail, ok, type Result } from "../../../base";
import { beatsOfBar } from "../meter";
import { formatMeter } from "../written-meter";
import { EVEN, isCompound, type Pattern, type Stroke, SUBDIVISIONS, type Subdivision } from "./pattern";
import { MOST_STROKES } from "./written";

export type JoinProblem =
  | { readonly code: "nothing" }
  | { readonly code: "meters"; readonly meters: readonly string[] }
  | { readonly code: "swings" }
  /** No grid has the places of both. */
  | { readonly code: "grids"; readonly subdivisions: readonly Subdivision[] }
  | { readonly code: "free" }
  | { readonly code: "signs" }
  | { readonly code: "too-long"; readonly strokes: number };

const isSwept = ({ kind }: Stroke): boolean => kind === "down" || kind === "up";
const isPicked = ({ kind }: Stroke): boolean => kind === "fingers" || kind === "zones";

/** The coarsest grid that has every place of some others; null where none has. */
const gridFor = (subdivisions: readonly Subdivision[], compound: boolean): Subdivision | null =>
  [...SUBDIVISIONS]
    .sort((a, b) => a - b)
    .find((grid) => (grid !== 6 || compound) && subdivisions.every((one) => grid % one === 0)) ?? null;

/** A pattern on a finer grid: it sounds as before. */
const onGrid = ({ strokes, subdivision }: Pattern, grid: Subdivision): Stroke[] =>
  strokes.flatMap((stroke) => [
    stroke,
    ...Array.from({ length: grid / subdivision - 1 }, (): Stroke => ({ kind: "ring" })),
  ]);

/**
 * Patterns one after the other as one: half a bar and a bar, or a bar and its answer. They get the coarsest grid that has the
 * places of all of them.
 * @returns an error for other metres, other swing, strokes beside fingers, a free pattern, or no grid for all
 * @example joinPatterns([half, half, bar]) // => two bars
 */
export function joinPatterns(patterns: readonly Pattern[]): Result<Pattern, JoinProblem> {
  const [first] = patterns;
  if (!first) return fail({ code: "nothing" });
  if (patterns.some(({ free }) => free)) return fail({ code: "free" });
  const meters = [...new Set(patterns.map(({ meter }) => formatMeter(meter)))];
  if (meters.length > 1) return fail({ code: "meters", meters });
  const subdivisions = [...new Set(patterns.map(({ subdivision }) => subdivision))].sort((a, b) => a - b);
  // Swing is of pairs of one grid: on another it would be another.
  const swings = new Set(patterns.map(({ swing }) => swing));
  if (swings.size > 1 || (subdivisions.length > 1 && first.swing !== EVEN)) return fail({ code: "swings" });
  const all = patterns.flatMap(({ strokes }) => strokes);
  if (
    (all.some(isSwept) && all.some(isPicked)) ||
    new Set(all.filter(isPicked).map(({ kind }) => kind)).size > 1
  )
    return fail({ code: "signs" });
  const subdivision = gridFor(subdivisions, isCompound(first.meter));
  if (subdivision === null) return fail({ code: "grids", subdivisions });
  const strokes = patterns.flatMap((pattern) => onGrid(pattern, subdivision));
  if (strokes.length > MOST_STROKES) return fail({ code: "too-long", strokes: strokes.length });
  return ok({ ...first, subdivision, strokes });
}

/**
 * A pattern repeated, and cut, to so many bars: to be changed bar by bar.
 * @example throughBars(half, 2).strokes.length // => four times as many
 */
export function throughBars(pattern: Pattern, bars: number): Pattern {
  const places = Math.min(
    Math.floor(MOST_STROKES / pattern.subdivision) * pattern.subdivision,
    bars * beatsOfBar(pattern.meter) * pattern.subdivision,
  );
  const { strokes } = pattern;
  return { ...pattern, strokes: Array.from({ length: places }, (_, at) => strokes[at % strokes.length]!) };
}

/** Why patterns can't be one, and what to do. */
export function describeJoinProblem(problem: JoinProblem): string {
  switch (problem.code) {
    case "nothing":
      return "Choose at least one pattern to join.";
    case "free":
      return "A free pattern has no strokes of its own to join: choose one that has.";
    case "meters":
      return `Patterns in ${problem.meters.join(" and ")} don't make one: give them one metre.`;
    case "swings":
      return "They swing differently: give both one swing first.";
    case "signs":
      return "Strokes, fingers and zones don't go into one pattern: join those written alike.";
    case "grids":
      return `${problem.subdivisions.join(" and ")} strokes a beat have no grid together: write one of them on the other's.`;
    case "too-long":
      return `Together they have ${problem.strokes} strokes; a pattern has at most ${MOST_STROKES}.`;
  }
}
