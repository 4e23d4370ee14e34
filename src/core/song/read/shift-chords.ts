import type { Ticks } from "../../../base";
import type { Exception } from "../schema/sections";
import { type ChordEvent, chordIdsOf, marksOf, type TimedLine } from "./lay-out";
import { isPlayed, type Round } from "./layout";
import type { OutlineException } from "./outline";

/** What of a passage matters for when its chords come. */
type Placed = { readonly lines: readonly TimedLine[]; readonly turn: Round };

const isShift = ({ kind }: Exception): boolean => kind === "push" || kind === "late";

/**
 * Lets chords come early or late. The chord before, in whatever passage, ends that much sooner or later: it keeps at
 * least a tick, as does a late chord, and at the very start of the song there is nothing to come before.
 */
export function shiftChords<P extends Placed>(
  passages: readonly P[],
  exceptionsOf: (passage: P) => readonly OutlineException[],
): readonly P[] {
  if (!passages.some((one) => exceptionsOf(one).some(({ exception }) => isShift(exception)))) return passages;
  const copies = passages.map((passage) => ({
    ...passage,
    lines: passage.lines.map((line) => ({ ...line, events: [...line.events] })),
  }));
  let before: { readonly events: ChordEvent[]; readonly at: number } | null = null;
  for (const passage of copies) {
    const shifts = exceptionsOf(passage)
      .map(({ exception }) => exception)
      .filter((one) => isShift(one) && isPlayed(one, passage.turn));
    const marked = marksOf(shifts, chordIdsOf(passage.lines));
    for (const { outline: line, events } of passage.lines) {
      for (const [at, { chord }] of line.chords.entries()) {
        const [early, late] = [
          marked("push", chord.id)[0]?.ticks ?? 0,
          marked("late", chord.id)[0]?.ticks ?? 0,
        ];
        const room: ChordEvent | undefined = before?.events[before.at];
        const sooner = Math.min(early, Math.max(0, (room?.ticks ?? 0) - 1));
        const later = early > 0 ? 0 : Math.min(late, Math.max(0, events[at]!.ticks - 1));
        const moved = later - sooner;
        if (moved !== 0) {
          if (before && room) before.events[before.at] = endsBy(room, moved);
          events[at] = beginsBy(events[at]!, moved);
        }
        before = { events, at };
      }
    }
  }
  return copies;
}

/** A chord that ends later, or sooner where `by` is negative; one that was cut short before its end stays so. */
function endsBy(event: ChordEvent, by: Ticks): ChordEvent {
  const ticks = event.ticks + by;
  const rings = event.sounds === event.ticks && event.cut === null;
  return { ...event, ticks, sounds: Math.min(ticks, rings ? event.sounds + by : event.sounds) };
}

/** A chord that begins later, or sooner where `by` is negative; it ends where it ended, and one strike rings as long. */
function beginsBy(event: ChordEvent, by: Ticks): ChordEvent {
  const ticks = event.ticks - by;
  const sounds =
    event.cut || event.sounds === 0 ? Math.min(event.sounds, ticks) : Math.max(0, event.sounds - by);
  return {
    ...event,
    tick: event.tick + by,
    ticks,
    sounds,
    early: Math.max(0, -by),
    late: Math.max(0, by),
  };
}
