import { beatUnitOf, type Meter, ticksOfBar, ticksOfRow } from "../../rhythm";
import { type Reading, readChordLine, readInline, readingOf } from "./chord-line";
import type { SheetText } from "./sheet-text";

/** Figures beats are likely written with. "A7" and "A5" are chords, whatever they would come to. */
const BEATS: ReadonlySet<number> = new Set([1, 2, 3, 4, 6, 8, 12, 16]);
/** "A6" throughout is a chord too. */
const ONLY_CHORDS: ReadonlySet<number> = new Set([6]);
const FEWEST = 4;

/**
 * A reading in which figures behind chords are beats ("A4 D4"), where the whole sheet writes them so and they close the bars; else
 * null.
 * @returns the reading, and the first line that is so
 */
export function figuresAsBeats(
  lines: readonly SheetText[],
  reading: Reading,
  meter: Meter,
): { reading: Reading; line: SheetText } | null {
  if (reading.naming === "degrees" || !lines.some(({ text }) => /[A-Za-z♯♭#]\d/u.test(text))) return null;
  const figures: Reading = { ...readingOf(reading.naming, reading.key, reading.onStep), figures: true };
  const bar = ticksOfBar(meter);
  const found: number[] = [];
  let first: SheetText | null = null;
  for (const line of lines) {
    const tokens = readInline(line.text, figures)?.signs ?? readChordLine(line, figures);
    const chords = tokens?.filter(({ kind }) => kind === "chord" || kind === "unreadable") ?? [];
    if (chords.length === 0) continue;
    // "A(4)" and "A for 4" say so themselves.
    const beats = chords.map(({ beats: own, written = "" }) => (/\d$/u.test(written) ? (own ?? 0) : 0));
    if (!beats.every((one) => BEATS.has(one))) return null;
    const ticks = ticksOfRow(beats, beatUnitOf(meter)).reduce((sum, one) => sum + one, 0);
    if (ticks % bar !== 0) return null;
    first ??= line;
    found.push(...beats);
  }
  const areBeats = found.length >= FEWEST && !found.every((one) => ONLY_CHORDS.has(one));
  return first && areBeats ? { reading: figures, line: first } : null;
}
