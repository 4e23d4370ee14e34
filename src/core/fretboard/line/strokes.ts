import type { Ticks } from "../../../base";
import { inOrder, type TabNote } from "./note";

/**
 * How the notes of a line are struck: one down and one up in turn, as the hand swings (down on the beat, up between), or all
 * one way.
 */
export const NOTE_STROKES = ["by turns", "as the hand swings", "all down", "all up"] as const;
export type NoteStrokes = (typeof NOTE_STROKES)[number];

export type NoteStroke = "down" | "up";

const other = (stroke: NoteStroke): NoteStroke => (stroke === "down" ? "up" : "down");

/** Whether a note is struck at all: one hammered on, pulled off or slid to is not. */
const isStruck = ({ art }: TabNote): boolean => art === "plain" || art === "dead";

/** Into how few a beat must be cut for every note to have a place: 2, 4 or 8; for a dotted beat 3 or 6. */
function partsOf(notes: readonly TabNote[], beat: Ticks, dotted: boolean): number {
  const grids = dotted ? [3, 6] : [2, 4, 8];
  return grids.find((parts) => notes.every(({ tick }) => (tick * parts) % beat === 0)) ?? grids.at(-1)!;
}

/**
 * The stroke of each note, in the order given: null for one that is not struck. A stroke that a note says itself holds, and
 * those after it take their turn from it.
 * @param strokes how the line is struck; null says only what notes say themselves
 * @param beat ticks of a beat, and whether it is dotted
 * @example strokesOfLine(fourEighths, "by turns", { ticks: 960, dotted: false }) // => ["down", "up", "down", "up"]
 */
export function strokesOfLine(
  notes: readonly TabNote[],
  strokes: NoteStrokes | null,
  beat: { readonly ticks: Ticks; readonly dotted: boolean },
): readonly (NoteStroke | null)[] {
  const struck = inOrder(notes.filter(isStruck));
  const parts = partsOf(struck, beat.ticks, beat.dotted);
  const found = new Map<TabNote, NoteStroke | null>();
  let last = { tick: Number.NaN, stroke: null as NoteStroke | null };
  for (const note of struck) {
    // Notes struck together are one stroke.
    const together = last.tick === note.tick ? last.stroke : null;
    const stroke = note.stroke ?? together ?? strokeAt(note.tick, last.stroke);
    found.set(note, stroke);
    if (stroke !== null) last = { tick: note.tick, stroke };
  }
  return notes.map((note) => found.get(note) ?? null);

  function strokeAt(tick: Ticks, before: NoteStroke | null): NoteStroke | null {
    switch (strokes) {
      case null:
        return null;
      case "all down":
        return "down";
      case "all up":
        return "up";
      case "by turns":
        return before === null ? "down" : other(before);
      case "as the hand swings": {
        const place = Math.round((tick * parts) / beat.ticks);
        // Three to a beat the hand goes down, up, down, and begins each beat anew.
        return (beat.dotted ? place % parts : place) % 2 === 0 ? "down" : "up";
      }
    }
  }
}
