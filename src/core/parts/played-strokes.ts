import type { Ticks } from "../../base";
import { type FittedStroke, fitPattern } from "../rhythm";
import type { Passage } from "../song/read";
import type { StrumRow } from "../song/schema";
import type { SheetPart } from "./band";

/**
 * The strokes of a part in one time through a section, at their ticks in the song: under chords that come early or late
 * they go with them, and where a chord is stopped, choked or silent there are none.
 */
export function playedStrokes(
  part: Pick<SheetPart, "pattern" | "out">,
  passage: Passage,
  anchor: StrumRow["anchor"],
): readonly FittedStroke[] {
  if (part.out || !part.pattern || passage.tacet) return [];
  const origin = passage.tick + passage.section.pickup;
  const events = passage.lines.flatMap((line) => line.events);
  // A late chord is struck late, and its pattern keeps to its beats: it is fitted where it is written.
  const chords = events.flatMap(({ tick, ticks, sounds, late }, at) => {
    const rings = Math.min(sounds, ticks - (events[at + 1]?.late ?? 0));
    return rings > 0 ? [{ tick: tick - late - origin, ticks: rings + late }] : [];
  });
  const lateBy = new Map(events.map(({ tick, late }) => [tick - late, late]));
  return fitPattern(part.pattern, chords, anchor).map((stroke) => {
    const place = stroke.tick + origin;
    return { ...stroke, tick: place + (lateBy.get(place) ?? 0), until: stroke.until + origin };
  });
}

/** The sign a stroke is drawn with. */
export function signOfStroke({ stroke }: Pick<FittedStroke, "stroke">): string {
  switch (stroke.kind) {
    case "down":
      return "↓";
    case "up":
      return "↑";
    case "dead":
      return "×";
    default:
      return "•";
  }
}

/** The times in a passage at which everybody is silent, or a part plays none of its bars. */
export type Silences = (tick: Ticks) => boolean;

/**
 * The notes of a line in one time through a section, where something is otherwise in it: the line goes round until the
 * section ends, notes in a silence are left out, and what a hold moves comes later. Ticks count from the passage's begin.
 */
export function playedNotes<Note extends { readonly tick: Ticks; readonly ticks: Ticks }>(
  notes: readonly Note[],
  length: Ticks,
  passage: Passage,
  isSilent: Silences,
): Note[] {
  const events = passage.lines.flatMap((line) => line.events);
  const origin = passage.section.pickup;
  const holds = events
    .filter(({ held }) => held > 0)
    .map((event) => ({ at: event.tick + event.ticks - event.held - passage.tick, ticks: event.held }));
  const score = passage.ticks - holds.reduce((sum, { ticks }) => sum + ticks, 0);
  const gaps = events
    .filter(({ sounds, ticks }) => sounds < ticks)
    .map(({ tick, sounds, ticks }) => [tick + sounds - passage.tick, tick + ticks - passage.tick] as const);
  const found: Note[] = [];
  let held = 0;
  const waiting = [...holds];
  for (let from = origin; from < score; from += length)
    for (const note of notes) {
      const written = from + note.tick;
      if (written >= score) continue;
      while (waiting[0] && waiting[0].at - held <= written) held += waiting.shift()!.ticks;
      const tick = written + held;
      const isCut = gaps.some(([start, end]) => tick >= start && tick < end);
      if (!isCut && !passage.tacet && !isSilent(passage.tick + tick)) found.push({ ...note, tick });
    }
  return found;
}
