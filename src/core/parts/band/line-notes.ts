import type { Ticks } from "../../../base";
import { isForRound, type TabNote } from "../../fretboard";
import { barsIn, type Passage } from "../../song/read";
import { lineRounds } from "./line-place";
import type { SheetPart } from "./sheet-part";
import { writtenTime } from "./written-time";

/** A note of a line where it sounds the first time through a section: in ticks from the section's begin, as it is written. */
export type PlacedNote = { readonly note: TabNote; readonly tick: Ticks };

/** Every note of a part's line where it sounds the first time through its section. */
export function placedNotes({ riff, notes, spans, cell, use }: SheetPart): PlacedNote[] {
  if (!riff) return [];
  const rounds = spans.flatMap((span) => lineRounds(span, riff.ticks, cell.lineFill.value));
  const of = use.repeat * rounds.length;
  return rounds.flatMap(({ begins, from, to }, at) =>
    notes.flatMap((note): PlacedNote[] => {
      const tick = begins + note.tick;
      return tick >= from && tick < to && isForRound(note, at + 1, of) ? [{ note, tick }] : [];
    }),
  );
}

/** Bars of a section, from 0, that some ticks of it fall in; each once, in order. */
export function barsOfTicks(passage: Passage, ticks: readonly Ticks[]): number[] {
  const written = writtenTime(passage);
  const starts = barsIn(passage).map(({ tick }) => written(tick - passage.tick));
  const bars = ticks.map((tick) =>
    Math.max(
      0,
      starts.findLastIndex((start) => start <= tick),
    ),
  );
  return [...new Set(bars)].sort((a, b) => a - b);
}
