import { type Chord, parseChord, respell } from "../../chord";
import { isInKey, type Key, type NoteName, nameInKey, pitchClassOf, semitonesUp } from "../../pitch";
import type { HandEvent } from "./events";

/** How much the bass walks between chords: not at all, by one note before the next chord, by every step. */
export const GRADES = ["none", "one", "every"] as const;
export type Grade = (typeof GRADES)[number];

/** The farthest two basses may lie apart for a walk between them: a fourth. */
const FARTHEST = 5;

/**
 * Puts passing bass notes between chords, a beat each, taken from the end of the chord before, which keeps a beat at
 * least. The steps are those of the key, by the shorter way, where the basses lie a third or a fourth apart.
 * @returns the events, and for each the index of the one it comes from
 * @example withPassing([C, Am], "one", C major) // => C, C/B, Am
 */
export function withPassing(
  events: readonly HandEvent[],
  grade: Grade,
  key: Key,
): { readonly events: readonly HandEvent[]; readonly of: readonly number[] } {
  const made: HandEvent[] = [];
  const of: number[] = [];
  for (const [index, event] of events.entries()) {
    const walk = grade === "none" ? [] : walkAfter(event, events[index + 1], grade, key);
    const shorter = walk.length > 0 ? { ...event, beats: event.beats - walk.length } : event;
    for (const one of [shorter, ...walk]) {
      made.push(one);
      of.push(index);
    }
  }
  return { events: made, of };
}

function walkAfter(event: HandEvent, next: HandEvent | undefined, grade: Grade, key: Key): HandEvent[] {
  if (event.kind !== "chord" || next?.kind !== "chord") return [];
  const { chord } = event;
  if (chord.kind === "none" || next.chord.kind === "none") return [];
  const steps = stepsBetween(bassOf(chord), bassOf(next.chord), key);
  const wanted = grade === "one" ? steps.slice(-1) : steps;
  const room = Math.max(0, Math.ceil(event.beats) - 1);
  return wanted.slice(Math.max(0, wanted.length - room)).flatMap((bass): HandEvent[] => {
    const symbol = respell(chord, chord.root, bass);
    const passing: Chord | null = (() => {
      const read = parseChord(symbol);
      return read.ok ? read.value : null;
    })();
    return passing === null ? [] : [{ kind: "chord", chord: passing, beats: 1, passing: true }];
  });
}

const bassOf = (chord: Chord & { kind: "chord" }): NoteName => chord.bass ?? chord.root;

/** The notes of the key strictly between two basses, by the shorter way. */
function stepsBetween(from: NoteName, to: NoteName, key: Key): NoteName[] {
  const up = semitonesUp(from, to);
  const [direction, distance] = up <= 6 ? [1, up] : [-1, 12 - up];
  if (distance > FARTHEST) return [];
  const steps: NoteName[] = [];
  for (let step = 1; step < distance; step++) {
    const name = nameInKey((pitchClassOf(from) + direction * step + 12) % 12, key);
    if (isInKey(name, key)) steps.push(name);
  }
  return steps;
}
