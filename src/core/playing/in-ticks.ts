import type { Ticks } from "../../base";
import type { Weight } from "../rhythm";
import { type NoteAt, playLine } from "./line";
import type { Onset } from "./onset";
import { playStrokes, SPREAD_MS, type StrokeAt } from "./strokes";

/** A stroke at its place, and until when it may ring. */
export type TimedStroke = Omit<StrokeAt, "ms" | "until"> & { readonly tick: Ticks; readonly until: Ticks };
/** A note of a line at its place. */
export type TimedNote = Omit<NoteAt, "ms" | "lastsMs"> & { readonly tick: Ticks; readonly ticks: Ticks };

/** What of a drum is struck. */
export type Drum = "low" | "high" | "time" | "shaker";
export type DrumHit = { readonly tick: Ticks; readonly drum: Drum; readonly weight: Weight };
/** A drum that is struck, at its place. */
type TimedHit = DrumHit & { readonly loud: number };

/** What one player, or one layer of a looper, sounds: each list in order of time, in ticks from a begin. */
export type TimedPart = {
  readonly strokes: readonly TimedStroke[];
  readonly notes: readonly TimedNote[];
  readonly drums: readonly TimedHit[];
};

/** What is heard of a part in one stretch of time. */
export type PartOnsets = {
  /** Of shapes, keys and voices. */
  readonly strokes: readonly Onset[];
  /** Of its line. */
  readonly line: readonly Onset[];
  /** Drums that are struck, ms from the begin. */
  readonly drums: readonly (Pick<TimedHit, "drum" | "weight" | "loud"> & { readonly ms: number })[];
};

/**
 * A stroke, and the choke where it ends before it needs to.
 * @param ends when the hand ends it
 * @param next when the next stroke comes
 */
export const withChoke = (struck: TimedStroke, ends: Ticks, next: Ticks): TimedStroke[] =>
  ends < Math.min(next, struck.until)
    ? [struck, { ...struck, tick: ends, stroke: { kind: "choke" } }]
    : [struck];

/**
 * A note of a line as its row says it, at its place.
 * @param ticks how long it lasts there
 */
export const timedNote = (
  { string, fret, art, bend, ring, short, weight }: Omit<TimedNote, "tick" | "ticks" | "stroke" | "neck">,
  place: Pick<TimedNote, "tick" | "ticks" | "stroke" | "neck">,
): TimedNote => ({ string, fret, art, bend, ring, short, weight, ...place });

const within = <At extends { readonly tick: Ticks }>(
  list: readonly At[],
  from: Ticks,
  to: Ticks,
): readonly At[] => list.filter(({ tick }) => tick >= from && tick < to);

/**
 * What begins to sound of a part between two places.
 * @param from in ticks from the part's begin
 * @param msOf when a tick of it is, ms from the begin of the stretch
 * @param end nothing rings past it
 * @example onsetsOf(part, 0, 3840, (tick) => tick / 1.6).strokes[0].ms // => 0
 */
export function onsetsOf(
  part: TimedPart,
  from: Ticks,
  to: Ticks,
  msOf: (tick: Ticks) => number,
  end: Ticks = to,
  spreadMs: number = SPREAD_MS,
): PartOnsets {
  const strokes = within(part.strokes, from, to).map(({ tick, until, ...stroke }) => ({
    ...stroke,
    ms: msOf(tick),
    until: msOf(Math.min(until, end)),
  }));
  const notes = within(part.notes, from, to).map(({ tick, ticks, ...note }) => {
    const ms = msOf(tick);
    return { ...note, ms, lastsMs: msOf(Math.min(tick + ticks, end)) - ms };
  });
  const over = msOf(end);
  const line = playLine(notes).map((onset) =>
    onset.ms + onset.lastsMs > over ? { ...onset, lastsMs: over - onset.ms } : onset,
  );
  const drums = within(part.drums, from, to).map(({ tick, ...hit }) => ({ ...hit, ms: msOf(tick) }));
  return { strokes: playStrokes(strokes, spreadMs), line, drums };
}
