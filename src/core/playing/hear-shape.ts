import type { Onset } from "./onset";
import { type PlayEvent, play } from "./play";
import type { HeldShape } from "./strokes";

/** From string to string when a shape is heard slowly, and how long it rings after, ms. Ours, no source. */
const STRING_MS = 220;
const RINGS_MS = 900;
const STRUM_MS = 1800;

/** A shape as one listens to it: string by string, then struck. @example hearShape({ frets: [0, 2, 2, 1, 0, 0], tuning, capo: 0 }) */
export function hearShape(held: HeldShape): Onset[] {
  const struck = held.frets.filter((fret) => fret !== null).length;
  const slowMs = Math.max(0, struck - 1) * STRING_MS + RINGS_MS;
  const once = (beats: number): PlayEvent => ({ at: 0, beats, held, notes: [], pattern: null });
  // Here a beat is a millisecond.
  const msOf = (beats: number) => beats;
  const slow = play([once(slowMs)], { msOf, spreadMs: 0 }).map((onset, at) => ({
    ...onset,
    ms: at * STRING_MS,
    lastsMs: slowMs - at * STRING_MS,
  }));
  const strum = play([once(STRUM_MS)], { msOf }).map((onset) => ({ ...onset, ms: onset.ms + slowMs }));
  return [...slow, ...strum];
}
