import { fail, ok, type Result, type Ticks } from "../../base";
import {
  type Fingering,
  type Grade,
  type HandEvent,
  inOrder,
  type LayerProblem,
  type Move,
  type TabNote,
  voicePath,
  withPassing,
} from "../fretboard";
import type { Key } from "../pitch";
import { beatsOfTicks } from "../rhythm";
import type { SectionChord } from "./band";
import { type HandRequest, optionsOf } from "./shapes";

/** One thing the hand does: a chord, the chord before left to ring, or a note of the line. */
type HandStep = {
  readonly tick: Ticks;
  readonly event: HandEvent;
  /** The chord it belongs to, as it sounds. */
  readonly symbol: string;
  readonly fingering: Fingering;
  /** How the hand got here; null for the first. */
  readonly move: Move | null;
};

export type OneHand = {
  readonly steps: readonly HandStep[];
  readonly cost: number;
  /** What the easiest first and then always the cheapest next would cost. */
  readonly greedyCost: number;
  readonly exact: boolean;
};

/** Shapes and hands looked at for each chord. */
const CANDIDATES = 80;

/**
 * A line between chords, in one hand: chord, what rings, and notes are planned together, so that the finger that ends
 * the line begins the next chord. A note that is struck where a chord begins is part of it; the chord is held under the
 * others where the hand can. With `grade` the bass walks between chords instead.
 * @param chords of the section, in time
 * @param notes of the line, from where the section begins, on this hand's own neck
 */
export function oneHand(
  chords: readonly SectionChord[],
  notes: readonly TabNote[],
  hand: HandRequest,
  beat: { readonly ms: number; readonly unit: string },
  walk: { readonly grade: Grade; readonly key: Key } = { grade: "none", key: { tonic: 0, mode: "major" } },
): Result<OneHand, LayerProblem> {
  const beats = (ticks: Ticks) => Math.max(0.01, beatsOfTicks(ticks, beat.unit));
  const events: HandEvent[] = [];
  const ticks: Ticks[] = [];
  const symbols: string[] = [];
  const put = (tick: Ticks, symbol: string, event: HandEvent) => {
    ticks.push(tick);
    symbols.push(symbol);
    events.push(event);
  };
  for (const { chord, symbol, tick, ticks: length } of chords) {
    const end = tick + length;
    const own = inOrder(notes.filter((note) => note.tick > tick && note.tick < end && note.art !== "dead"));
    const first = own[0]?.tick ?? end;
    put(tick, symbol, { kind: "chord", chord, beats: beats(first - tick) });
    for (const [at, note] of own.entries()) {
      const next = own[at + 1]?.tick ?? end;
      if (next === note.tick) continue;
      put(note.tick, symbol, {
        kind: "note",
        string: note.string,
        fret: note.fret,
        beats: beats(next - note.tick),
        over: note.ring,
      });
    }
  }
  if (events.length === 0) return ok({ steps: [], cost: 0, greedyCost: 0, exact: true });
  const walked = withPassing(events, walk.grade, walk.key);
  const found = voicePath(walked.events, {
    ...optionsOf(hand),
    limit: CANDIDATES,
    beatMs: beat.ms,
    gaps: "skip",
  });
  if (!found.ok) return fail(found.problem);
  const { path, moves, ...sums } = found.value;
  const steps = walked.events.map((event, at): HandStep => {
    const from = walked.of[at]!;
    return {
      tick: ticks[from]!,
      event,
      symbol: event.kind === "chord" ? event.chord.symbol : symbols[from]!,
      fingering: path[at]!,
      move: at === 0 ? null : moves[at - 1]!,
    };
  });
  return ok({ steps, cost: sums.cost, greedyCost: sums.greedyCost, exact: sums.exact });
}
