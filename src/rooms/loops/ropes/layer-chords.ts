import { parseChord } from "@/core/chord";
import { beatsOfTicks, formatBeats, ticksOfBeats } from "@/core/rhythm";
import type { LoopLayerRow } from "@/core/song/schema";

type Chords = LoopLayerRow["chords"];

/** Chords as they are typed: a name, and its beats where they are not a bar's. @example "Dm Bb:2 C:2" */
export function formatChords(chords: Chords, beatUnit: string, barTicks: number): string {
  return chords
    .map(({ symbol, ticks }) =>
      ticks === barTicks ? symbol : `${symbol}:${formatBeats(beatsOfTicks(ticks, beatUnit))}`,
    )
    .join(" ");
}

/** Reads them back, or says what is wrong. */
export function readChords(text: string, beatUnit: string, barTicks: number): Chords | string {
  const chords: { symbol: string; ticks: number }[] = [];
  for (const item of text.split(/[\s|,]+/u).filter((one) => one !== "")) {
    const [symbol = "", beats] = item.split(":");
    if (!parseChord(symbol).ok)
      return `“${symbol}” is not a chord that can be read. Write names such as Dm or Bb:2, with spaces between.`;
    const ticks = beats === undefined ? barTicks : ticksOfBeats(Number(beats.replace(",", ".")), beatUnit);
    if (ticks === null || ticks <= 0) return `“${item}” should end in beats above 0, such as ${symbol}:2.`;
    chords.push({ symbol, ticks });
  }
  return chords;
}
