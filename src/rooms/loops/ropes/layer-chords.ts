import { beatsOfTicks, formatBeats, ticksOfBeats } from "@/core/rhythm";
import type { Namer } from "@/core/song/names";
import type { LoopLayerRow } from "@/core/song/schema";

type Chords = LoopLayerRow["chords"];

/** A layer's chords as they are typed in the reader's names: a name, and its beats where they are not a bar's. @example "Dm Bb:2 C:2" */
export function formatChords(chords: Chords, beatUnit: string, barTicks: number, namer: Namer): string {
  return chords
    .map(({ symbol, ticks }) =>
      ticks === barTicks
        ? namer.chord(symbol)
        : `${namer.chord(symbol)}:${formatBeats(beatsOfTicks(ticks, beatUnit))}`,
    )
    .join(" ");
}

/** Reads them back, or says what is wrong. */
export function readChords(text: string, beatUnit: string, barTicks: number, namer: Namer): Chords | string {
  const [example] = namer.examples();
  const chords: { symbol: string; ticks: number }[] = [];
  for (const item of text.split(/[\s|,]+/u).filter((one) => one !== "")) {
    const [name = "", beats] = item.split(":");
    const symbol = namer.toWritten(name);
    if (symbol === null)
      return `“${name}” is not a chord that can be read. Write names such as ${example} or ${example}:2, with spaces between.`;
    const ticks = beats === undefined ? barTicks : ticksOfBeats(Number(beats.replace(",", ".")), beatUnit);
    if (ticks === null || ticks <= 0) return `“${item}” should end in beats above 0, such as ${name}:2.`;
    chords.push({ symbol, ticks });
  }
  return chords;
}
