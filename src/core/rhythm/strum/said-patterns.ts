import { fail, ok, type Result } from "../../../base";
import { beatsOfBar, beatUnitOf, type Meter } from "../meter";
import { EVEN, isCompound, type Pattern, PLAIN_WEIGHT, type Stroke, type Subdivision } from "./pattern";
import { readSaidStrum, type SaidCount, type SaidProblem, type SaidStroke } from "./stroke-words";
import { barsOfPattern } from "./times";
import { formatStrokes, MOST_STROKES } from "./written";

/** A pattern that may be meant by what was said. */
export type SaidPattern = {
  readonly pattern: Pattern;
  /** Bars it fills; half a bar is 0.5. */
  readonly bars: number;
  /** How it was found, in words: "eighths, each stroke as soon as the hand gets there". */
  readonly why: string;
};

export type SaidPatternProblem =
  | SaidProblem
  | { readonly code: "too-long" }
  | { readonly code: "count"; readonly number: number; readonly most: number };

/** How a song of two or four to the beat is felt: evenly, or with three to each beat. */
export const STRUM_FEELS = ["straight", "shuffle"] as const;
export type StrumFeel = (typeof STRUM_FEELS)[number];

/** The hand as a pendulum over a grid: where it is going down, and how many places fill a bar. */
type Swing = {
  readonly subdivision: Subdivision;
  readonly inBar: number;
  readonly goesDown: (place: number) => boolean;
  readonly said: string;
  /** Whether half a bar is a length of its own. */
  readonly halves: boolean;
};

/** A stroke with the places that must lie free before it. */
type Meant = { readonly stroke: Exclude<SaidStroke, "rest">; readonly rests: number };

/** Where the hand goes down on a grid: by turns; with three to a beat also down, down, up. */
export const byTurns = (place: number): boolean => place % 2 === 0;
export const downDownUp = (place: number): boolean => place % 3 < 2;

/** What a place is worth, by how many fill a whole note. */
const VALUES: Readonly<Record<number, string>> = Object.freeze({
  2: "halves",
  4: "quarters",
  8: "eighths",
  16: "sixteenths",
  32: "thirty-seconds",
});

/** The swings a strum may be meant in: of eighths and sixteenths, or of three to a beat by turns and down-down-up. */
function swingsOf(meter: Meter, feel: StrumFeel): Swing[] {
  const beats = beatsOfBar(meter);
  if (isCompound(meter) || feel === "shuffle")
    return [
      { goesDown: byTurns, said: "three to a beat, by turns" },
      { goesDown: downDownUp, said: "three to a beat, down down up" },
    ].map((swing) => ({ ...swing, subdivision: 3, inBar: beats * 3, halves: false }));
  return ([2, 4] as const).map((subdivision) => ({
    subdivision,
    inBar: beats * subdivision,
    goesDown: byTurns,
    said: VALUES[meter.unit * subdivision] ?? `${subdivision} to a beat`,
    halves: subdivision === 4 && beats % 2 === 0,
  }));
}

/**
 * The patterns that may be meant by a strum as it is said, likeliest first, at most four. The hand is a pendulum: downs on
 * even places of the grid, ups on odd ones. Each stroke is as early as it can be after the one before, the first on the first
 * beat unless it is an up; or every stroke but the first as late as it can be, so that the last ends the bar. In eighths
 * and in sixteenths, over the fewest whole bars (or half a bar of sixteenths); with three to a beat by turns and down-down-up.
 * @example readSaidPatterns("down down up up down up", { beats: 4, unit: 4 })[0] // => D . D U . U D U
 */
export function readSaidPatterns(
  words: string,
  meter: Meter,
  feel: StrumFeel = "straight",
): Result<readonly SaidPattern[], SaidPatternProblem> {
  const said = readSaidStrum(words);
  if (!said.ok) return said;
  if (said.value.kind === "counts") return ofCounts(said.value.counts, meter, feel);
  const { meant, after } = meantBy(said.value.strokes);
  const swings = swingsOf(meter, feel).map((swing) => {
    const early = earliest(meant, swing);
    return { swing, early, length: lengthFor(early.at(-1)! + 1 + after, swing) };
  });
  if (swings.every(({ length }) => length > MOST_STROKES)) return fail({ code: "too-long" });
  const early = swings.map(({ swing, early, length }) => ({
    places: early,
    swing,
    length,
    how: "each stroke as soon as the hand gets there",
  }));
  const late = swings.map(({ swing, early, length }) => ({
    places: latest(meant, early[0]!, length - after, swing),
    swing,
    length,
    how: "ending with the bar",
  }));
  // Eighths before sixteenths; of three to a beat both hands early, then both late.
  const isTriple = swings[0]!.swing.subdivision === 3;
  const ordered = isTriple ? [...early, ...late] : early.flatMap((one, at) => [one, late[at]!]);
  return ok(
    onceEach(
      ordered
        .filter(({ length }) => length <= MOST_STROKES)
        .map(({ places, swing, length, how }) =>
          patternOf(strokesAt(places, meant, length), meter, swing.subdivision, `${swing.said}, ${how}`),
        ),
    ),
  );
}

const patternOf = (
  strokes: readonly Stroke[],
  meter: Meter,
  subdivision: Subdivision,
  why: string,
): SaidPattern => {
  const pattern = { meter, subdivision, swing: EVEN, strokes };
  return { pattern, bars: barsOfPattern(pattern), why };
};

/** Patterns that strike alike, once: the first of them. */
function onceEach(patterns: readonly SaidPattern[]): SaidPattern[] {
  const found = new Map<string, SaidPattern>();
  for (const said of patterns) {
    const key = `${said.pattern.subdivision} ${formatStrokes(said.pattern.strokes)}`;
    if (!found.has(key)) found.set(key, said);
  }
  return [...found.values()];
}

/** Strokes with the rests before each, and the rests behind the last. */
function meantBy(said: readonly SaidStroke[]): { meant: Meant[]; after: number } {
  const meant: Meant[] = [];
  let rests = 0;
  for (const stroke of said) {
    if (stroke === "rest") {
      rests++;
      continue;
    }
    meant.push({ stroke, rests });
    rests = 0;
  }
  return { meant, after: rests };
}

/** Whether a hand can make a stroke at a place; a dead one either way. */
const canBe = (stroke: Meant["stroke"], place: number, { goesDown }: Swing): boolean =>
  stroke === "dead" || goesDown(place) === (stroke === "down");

function earliest(meant: readonly Meant[], swing: Swing): number[] {
  const places: number[] = [];
  for (const { stroke, rests } of meant) {
    let place = (places.at(-1) ?? -1) + 1 + rests;
    while (!canBe(stroke, place, swing)) place++;
    places.push(place);
  }
  return places;
}

/** The first where it is, every other one as late as it can be before `end`. */
function latest(meant: readonly Meant[], first: number, end: number, swing: Swing): number[] {
  const places: number[] = [];
  let free = end - 1;
  for (let at = meant.length - 1; at > 0; at--) {
    const { stroke, rests } = meant[at]!;
    let place = free;
    while (!canBe(stroke, place, swing)) place--;
    places.unshift(place);
    free = place - 1 - rests;
  }
  return [first, ...places];
}

/** The fewest whole bars so many places fit in, in places; half a bar of sixteenths counts. */
function lengthFor(places: number, { inBar, halves }: Swing): number {
  if (halves && places <= inBar / 2) return inBar / 2;
  return Math.ceil(places / inBar) * inBar;
}

function strokesAt(places: readonly number[], meant: readonly Meant[], length: number): Stroke[] {
  const strokes = Array.from({ length }, (): Stroke => ({ kind: "ring" }));
  for (const [at, place] of places.entries()) {
    const { stroke } = meant[at]!;
    strokes[place] = stroke === "dead" ? { kind: "dead" } : { kind: stroke, weight: PLAIN_WEIGHT };
  }
  return strokes;
}

/** Where a count lies in a beat cut in so many; numbers count eighths where the beat is dotted. */
type CountGrid = {
  readonly subdivision: Subdivision;
  /** Places from one number to the next. */
  readonly step: number;
  readonly within: Readonly<Record<"&" | "e" | "a", number>>;
};

function gridOf(counts: readonly SaidCount[], meter: Meter, feel: StrumFeel): CountGrid {
  const says = (what: SaidCount) => counts.includes(what);
  if (isCompound(meter))
    return says("&") || says("a")
      ? { subdivision: 6, step: 2, within: { e: 1, "&": 1, a: 1 } }
      : { subdivision: 3, step: 1, within: { e: 0, "&": 0, a: 0 } };
  // In a shuffle the half lies on the last third.
  if (feel === "shuffle") return { subdivision: 3, step: 3, within: { e: 1, "&": 2, a: 2 } };
  return says("e") || says("a")
    ? { subdivision: 4, step: 4, within: { e: 1, "&": 2, a: 3 } }
    : { subdivision: 2, step: 2, within: { e: 1, "&": 1, a: 1 } };
}

/** Counts as a pattern: each one struck, the next bar where a number is not higher than the one before. */
function ofCounts(
  counts: readonly SaidCount[],
  meter: Meter,
  feel: StrumFeel,
): Result<readonly SaidPattern[], SaidPatternProblem> {
  const grid = gridOf(counts, meter, feel);
  const inBar = beatsOfBar(meter, beatUnitOf(meter)) * grid.subdivision;
  const most = inBar / grid.step;
  const places: number[] = [];
  for (const count of counts) {
    const last = places.at(-1) ?? -1;
    if (typeof count === "object") {
      const { number } = count;
      if (number < 1 || number > most) return fail({ code: "count", number, most });
      const inThis = Math.floor(Math.max(0, last) / inBar) * inBar + (number - 1) * grid.step;
      places.push(inThis > last ? inThis : inThis + inBar);
    } else {
      const beat = Math.floor(Math.max(0, last) / grid.step) * grid.step + grid.within[count];
      places.push(beat > last ? beat : beat + grid.step);
    }
  }
  const length = Math.ceil((places.at(-1)! + 1) / inBar) * inBar;
  if (length > MOST_STROKES) return fail({ code: "too-long" });
  const hands =
    grid.subdivision === 3
      ? feel === "shuffle" && !isCompound(meter)
        ? [{ goesDown: downDownUp, said: "as counted, in a shuffle" }]
        : [
            { goesDown: byTurns, said: "as counted, by turns" },
            { goesDown: downDownUp, said: "as counted, down down up" },
          ]
      : [{ goesDown: byTurns, said: "as counted" }];
  return ok(
    onceEach(
      hands.map(({ goesDown, said }) => {
        const meant = places.map((place): Meant => ({ stroke: goesDown(place) ? "down" : "up", rests: 0 }));
        return patternOf(strokesAt(places, meant, length), meter, grid.subdivision, said);
      }),
    ),
  );
}
