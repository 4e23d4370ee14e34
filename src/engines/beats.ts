import { z } from "zod";
import {
  type BarSection,
  BEAT_TOLERANCE,
  beatsOfTicks,
  beatUnitOf,
  describeOpenSection,
  sumBars,
  type TimedChord,
  ticksOfBar,
  ticksOfBeats,
} from "@/core/rhythm";
import { FieldError, plainEngine } from "./engine";
import { fields, readChord, refuseRepeats } from "./fields";
import { meterField, readMeterAt, ticksOfBeatAt } from "./meter-field";

const number = z.number({ error: "should be a number" });

const input = z.object({
  meter: meterField,
  beatUnit: z.string({ error: 'should be a note value such as "1/4" or "1/4."' }).optional(),
  sections: z
    .array(
      z.object({
        id: fields.id,
        pickup: number.min(0, { error: "should be 0 beats or more" }).default(0),
        lines: z.array(z.array(z.object({ symbol: fields.symbol, beats: fields.beats })), {
          error: "should be a list of lines, each a list of chords with beats",
        }),
      }),
      { error: "should be a list of sections" },
    )
    .max(1000),
});

export const beats = plainEngine({
  name: "beats",
  summary: "Lays chords with beats on bars: what each line carries, and what does not close.",
  input,
  compute: ({ meter, beatUnit = beatUnitOf(meter), sections }) => {
    readMeterAt(meter, ["meter"]);
    ticksOfBeatAt(beatUnit, ["beatUnit"]);
    refuseRepeats(
      sections.map((section) => section.id),
      (index) => ["sections", index, "id"],
    );
    const bar = ticksOfBar(meter);
    const timed = sections.map((section, index) => readSection(section, index, beatUnit, bar));
    const sums = sumBars(timed, bar);
    const toBeats = ({ symbol, ticks }: TimedChord) => ({ symbol, beats: beatsOfTicks(ticks, beatUnit) });
    return {
      sections: sums.map((sum, index) => ({
        id: sections[index]!.id,
        bars: sum.bars.map((chords) => chords.map(toBeats)),
        lines: sum.lines.map((line) => ({
          beats: beatsOfTicks(line.ticks, beatUnit),
          carryIn: beatsOfTicks(line.carryIn, beatUnit),
          carryOut: beatsOfTicks(line.carryOut, beatUnit),
        })),
      })),
      problems: sums.flatMap((sum, index) => {
        if (!sum.open) return [];
        const said = describeOpenSection(sum.open, timed[index]!.lines, bar, beatUnit);
        const suggestions = said.fixes.map((fix) => ({
          message: fix.words,
          line: fix.line,
          at: fix.at,
          beats: beatsOfTicks(fix.ticks, beatUnit),
        }));
        const { line, at } = sum.open;
        return [{ section: sections[index]!.id, line, at, message: said.message, suggestions }];
      }),
    };
  },
});

function readSection(
  section: z.output<typeof input>["sections"][number],
  index: number,
  beatUnit: string,
  bar: number,
): BarSection {
  const place = ["sections", index] as const;
  const pickup = toTicks(section.pickup, beatUnit, [...place, "pickup"]);
  const lines = section.lines.map((line, lineIndex) =>
    line.map((chord, at) => {
      const path = [...place, "lines", lineIndex, at];
      readChord(chord.symbol, [...path, "symbol"]);
      return { symbol: chord.symbol, ticks: toTicks(chord.beats, beatUnit, [...path, "beats"]) };
    }),
  );
  const firstLine = (lines[0] ?? []).reduce((sum, chord) => sum + chord.ticks, 0);
  if (pickup >= bar) throw new FieldError([...place, "pickup"], "should be less than a bar");
  if (pickup > firstLine)
    throw new FieldError([...place, "pickup"], "should be no more than the beats of the first line");
  return { pickup, lines };
}

function toTicks(value: number, beatUnit: string, path: readonly (string | number)[]): number {
  const ticks = ticksOfBeats(value, beatUnit);
  if (ticks !== null) return ticks;
  throw new FieldError(
    path,
    `should lie on a tick (960 a quarter note) to ${BEAT_TOLERANCE} beat, not ${value}`,
  );
}
