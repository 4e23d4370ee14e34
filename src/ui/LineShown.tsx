import { lineFingers, type TabNote } from "@/core/fretboard";
import { lineStrokes } from "@/core/parts";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { lineNames, type Namer } from "@/core/song/names";
import type { Riff } from "@/core/song/schema";
import { TabLines } from "./TabLines";

/** A line once through, as its reader has it: in tab, as notes, or both. */
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
  const bar = ticksOfBar(meter);
  return (
    <TabLines
      line={{
        name: riff.name,
        tuning: riff.tuning.length,
        notes,
        bars: Array.from({ length: Math.max(1, Math.ceil(riff.ticks / bar)) }, (_, at) => at * bar),
        ticks: riff.ticks,
        beat: ticksOfBeatUnit(beatUnitOf(meter))!,
        strings,
        names: notes.map(nameOf),
        reads: namer.lines,
        strokes: lineStrokes(riff, notes, meter),
        fingers: lineFingers(notes, riff),
      }}
    />
  );
}
