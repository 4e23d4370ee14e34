import { type NoteStroke, strokesOfLine, type TabNote } from "../fretboard";
import { beatUnitOf, isCompound, type Meter, ticksOfBeatUnit } from "../rhythm";
import type { Riff } from "../song/schema";

/** How each note of a line is struck in a metre, in the order given; null for one that is not, or of which nothing is said. */
export const lineStrokes = (
  { strokes }: Pick<Riff, "strokes">,
  notes: readonly TabNote[],
  meter: Meter,
): readonly (NoteStroke | null)[] =>
  strokesOfLine(notes, strokes, { ticks: ticksOfBeatUnit(beatUnitOf(meter))!, dotted: isCompound(meter) });
