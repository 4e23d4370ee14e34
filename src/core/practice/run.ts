import type { Ticks } from "../../base";
import { barOf, beatMs, countInTicks, type LivePassage } from "../stage";

/** What is gone through, and how. */
export type RunWish = {
  /** From where in the song to where, in ticks from its begin. */
  readonly from: Ticks;
  readonly to: Ticks;
  /** Of the tempo that is written: 1 is as written. */
  readonly speed: number;
  /** Bars counted in before the first round, and left between two rounds. */
  readonly countBars: number;
  readonly gapBars: number;
  /** Whether it goes round and round; else once. */
  readonly circles: boolean;
};

/** A stretch of one passage that is gone through. */
type RunPiece = {
  readonly passage: number;
  /** In ticks from the song's begin. */
  readonly from: Ticks;
  readonly to: Ticks;
  /** When it begins, ms from the begin of a round. */
  readonly ms: number;
  readonly msPerTick: number;
};

/** A stretch of a song laid out in time. */
export type Run = {
  readonly wish: RunWish;
  readonly passages: readonly LivePassage[];
  /** Where each passage begins in the song. */
  readonly begins: readonly Ticks[];
  readonly pieces: readonly RunPiece[];
  /** The count-in before the first round, what sounds of a round, and a round with what lies between two, ms. */
  readonly countMs: number;
  readonly soundMs: number;
  readonly roundMs: number;
  /** A beat and a bar as they are counted in, ms. */
  readonly beatMs: number;
  readonly beatsInBar: number;
};

/** Where a run is at a moment. */
export type RunPlace = {
  readonly phase: "count" | "play" | "gap" | "over";
  /** From 0. */
  readonly round: number;
  /** Which beat is counted, from 1; 0 while nothing is. */
  readonly count: number;
  readonly passage: number;
  /** From the passage's begin. */
  readonly tick: Ticks;
  /** As the passage numbers them, and the beat in the bar, from 1. */
  readonly bar: number;
  readonly beat: number;
};

/** Slower or faster than this nobody practises; of the tempo written. */
export const SPEEDS = Object.freeze({ least: 0.3, most: 1.3 });

export const beginsOf = (passages: readonly LivePassage[]): Ticks[] => {
  let tick = 0;
  return passages.map(({ ticks }) => {
    const begin = tick;
    tick += ticks;
    return begin;
  });
};

/** How long so many ticks of a passage last, ms: whole where beats and tempo are. */
const lasting = (passage: LivePassage, ticks: Ticks, speed: number): number =>
  ((ticks / passage.beat) * beatMs(passage)) / speed;

/**
 * Lays a stretch of a song out in time.
 * @throws when it has no length, or the song no passages: the caller offers neither
 */
export function layRun(passages: readonly LivePassage[], wish: RunWish): Run {
  const begins = beginsOf(passages);
  let ms = 0;
  const pieces = passages.flatMap((passage, at): RunPiece[] => {
    const begin = begins[at]!;
    const from = Math.max(wish.from, begin);
    const to = Math.min(wish.to, begin + passage.ticks);
    if (to <= from) return [];
    const msPerTick = beatMs(passage) / passage.beat / wish.speed;
    const piece = { passage: at, from, to, ms, msPerTick };
    ms += lasting(passage, to - from, wish.speed);
    return [piece];
  });
  const [first] = pieces;
  const last = pieces.at(-1);
  if (!first || !last) throw new Error(`Expected a stretch of the song, got ${wish.from} to ${wish.to}.`);
  const opening = passages[first.passage]!;
  const closing = passages[last.passage]!;
  // A pickup is counted into only where it is gone through.
  const counted = first.from === begins[first.passage] ? opening : { ...opening, bars: [] };
  return {
    wish,
    passages,
    begins,
    pieces,
    countMs: lasting(opening, countInTicks(counted, wish.countBars), wish.speed),
    soundMs: ms,
    roundMs: ms + (wish.circles ? lasting(closing, wish.gapBars * closing.bar, wish.speed) : 0),
    beatMs: lasting(opening, opening.beat, wish.speed),
    beatsInBar: Math.max(1, Math.round(opening.bar / opening.beat)),
  };
}

/** When a place of the song comes in a round, ms from its begin. */
export function msOfTick({ pieces }: Pick<Run, "pieces">, tick: Ticks): number {
  const piece = pieces.find(({ to }) => tick < to) ?? pieces.at(-1)!;
  return piece.ms + (tick - piece.from) * piece.msPerTick;
}

/**
 * Where a run is.
 * @param ms since it was begun, its count-in counted
 * @example placeInRun(run, run.countMs).phase // => "play"
 */
export function placeInRun(run: Run, ms: number): RunPlace {
  const { pieces, countMs, roundMs, soundMs, wish } = run;
  const since = ms - countMs;
  if (since < 0) {
    const count = Math.floor(Math.max(0, ms) / run.beatMs + HAIR) + 1;
    return { ...placeAtTick(run, pieces[0]!, wish.from), phase: "count", round: 0, count };
  }
  const round = wish.circles ? Math.floor(since / roundMs + HAIR) : 0;
  const inRound = Math.max(0, since - round * roundMs);
  if (inRound >= soundMs - HAIR) {
    const phase = wish.circles ? "gap" : "over";
    const last = pieces.at(-1)!;
    return { ...placeAtTick(run, last, wish.circles ? last.to - 1 : last.to), phase, round, count: 0 };
  }
  const piece = pieces.findLast((one) => one.ms <= inRound + HAIR)!;
  const tick = Math.min(piece.to - 1e-3, piece.from + (inRound - piece.ms) / piece.msPerTick);
  return { ...placeAtTick(run, piece, tick), phase: "play", round, count: 0 };
}

/** What a sum of fractions may lack, ms. */
const HAIR = 1e-6;

function placeAtTick(
  { passages, begins }: Pick<Run, "passages" | "begins">,
  { passage }: RunPiece,
  at: Ticks,
): Pick<RunPlace, "passage" | "tick" | "bar" | "beat"> {
  const here = passages[passage]!;
  const tick = at - begins[passage]!;
  const { bar, beat } = barOf(here, Math.min(tick, here.ticks - 1e-3));
  return { passage, tick, bar, beat };
}

/** The whole song as a stretch. */
export const wholeOf = (passages: readonly LivePassage[]): Pick<RunWish, "from" | "to"> => ({
  from: 0,
  to: passages.reduce((sum, { ticks }) => sum + ticks, 0),
});

/** Bar lines of a whole song, its end last; what a stretch may begin and end at. A pickup goes with the bar after it. */
export function barLinesOf(passages: readonly LivePassage[]): Ticks[] {
  const begins = beginsOf(passages);
  const lines = passages.flatMap(({ bars }, at) =>
    // A pickup sounds before the first bar line: a stretch from that bar begins with it.
    bars.map((tick, bar) => begins[at]! + (bar === 0 ? 0 : tick)),
  );
  return [...lines, wholeOf(passages).to];
}
