import type { TabNote } from "@/core/fretboard";

/** A line as it is drawn: notes with where bars begin, in the ticks of one stretch of a song. */
export type DrawnLine = {
  readonly notes: readonly TabNote[];
  readonly bars: readonly number[];
  readonly ticks: number;
};

/** So many bars side by side. */
export type TabRow = {
  /** The first bar of it, from 0, and how many there are. */
  readonly bar: number;
  readonly bars: number;
  readonly from: number;
  readonly to: number;
  /** Notes of it by index of the line's. */
  readonly notes: readonly number[];
  /** The row it is the same as, note for note, by its first bar; null where there is none before it. */
  readonly as: number | null;
};

/** What a row sounds, apart from where it stands. */
const soundOf = ({ notes }: DrawnLine, from: number, own: readonly number[]): string =>
  JSON.stringify(own.map((at) => ({ ...notes[at]!, tick: notes[at]!.tick - from, id: "", riffId: "" })));

/**
 * A line in rows of so many bars, each with the row before that is the same.
 * @example tabRows(eightEqualBars, 4).map(({ as }) => as) // => [null, 0]
 */
export function tabRows(line: DrawnLine, perRow: number): TabRow[] {
  const rows: TabRow[] = [];
  const known = new Map<string, number>();
  for (let bar = 0; bar < line.bars.length; bar += perRow) {
    const bars = Math.min(perRow, line.bars.length - bar);
    const from = line.bars[bar]!;
    const to = line.bars[bar + bars] ?? line.ticks;
    const notes = line.notes.flatMap(({ tick }, at) => (tick >= from && tick < to ? [at] : []));
    const sound = `${to - from} ${soundOf(line, from, notes)}`;
    const as = known.get(sound) ?? null;
    if (as === null) known.set(sound, bar);
    rows.push({ bar, bars, from, to, notes, as });
  }
  return rows;
}
