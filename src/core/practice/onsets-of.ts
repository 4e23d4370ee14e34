import type { Ticks } from "../../base";
import { type Onset, playLine, playStrokes } from "../playing";
import type { HeardPart, TimedHit } from "./heard-part";

/** What is heard of a part in one stretch of a song. */
export type PartOnsets = {
  /** Of shapes, keys and voices. */
  readonly strokes: readonly Onset[];
  /** Of its line. */
  readonly line: readonly Onset[];
  /** Drums that are struck, ms from the begin. */
  readonly drums: readonly (Pick<TimedHit, "drum" | "weight" | "loud"> & { readonly ms: number })[];
};

const within = <At extends { readonly tick: Ticks }>(
  list: readonly At[],
  from: Ticks,
  to: Ticks,
): readonly At[] => list.filter(({ tick }) => tick >= from && tick < to);

/**
 * What begins to sound of a part between two places of a song.
 * @param from in ticks from the song's begin
 * @param msOf when a tick of it is, ms from the begin of the stretch
 * @param end nothing rings past it
 * @example onsetsOf(part, 0, 3840, (tick) => tick / 1.6).strokes[0].ms // => 0
 */
export function onsetsOf(
  part: HeardPart,
  from: Ticks,
  to: Ticks,
  msOf: (tick: Ticks) => number,
  end: Ticks = to,
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
  return { strokes: playStrokes(strokes), line, drums };
}
