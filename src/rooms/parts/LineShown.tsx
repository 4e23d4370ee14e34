import type { TabNote } from "@/core/fretboard";
import { lineStrokes } from "@/core/parts";
import type { Meter } from "@/core/rhythm";
import { lineNames, type Namer } from "@/core/song/names";
import type { Riff } from "@/core/song/schema";
import { TabLines } from "@/ui/TabLines";

/** A line as its reader has it: in tab, as notes, or both. */
export function LineShown({
  riff,
  notes,
  meter,
  namer,
}: {
  readonly riff: Riff;
  readonly notes: readonly TabNote[];
  readonly meter: Meter;
  readonly namer: Namer;
}) {
  const { strings, nameOf } = lineNames(riff, namer);
  return (
    <TabLines
      riff={riff}
      notes={notes}
      meter={meter}
      strings={strings}
      names={notes.map(nameOf)}
      reads={namer.lines}
      strokes={lineStrokes(riff, notes, meter)}
    />
  );
}
