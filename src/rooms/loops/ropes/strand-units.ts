import type { SongLoops } from "@/core/loops";
import { type SungWord, sungWords } from "@/core/song/moments";
import type { UseSpan } from "@/core/song/read";

export const STEPS = ["section", "bar", "beat", "word"] as const;
export type Step = (typeof STEPS)[number];

/** A stretch of a use that is drawn at once, in ticks from its start. */
export type Unit = {
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly words: string;
  /** Chords that begin in it, where nothing is sung. */
  readonly chords: string;
};

/** Words of a use with their ticks from its start; a pickup's words lie before 0 and stand with the first. */
export const wordsOfSpan = ({ passages, from, to }: UseSpan): SungWord[] =>
  sungWords(passages)
    .map((word) => ({ ...word, tick: Math.max(0, word.tick - from) }))
    .filter(({ tick }) => tick < to - from);

/** A use cut into steps, each with the words sung in it. */
export function unitsOf(
  song: Pick<SongLoops, "barTicks" | "beatTicks">,
  span: UseSpan,
  step: Step,
  nameOf: (symbol: string, shift: number) => string,
): Unit[] {
  const total = span.to - span.from;
  const words = wordsOfSpan(span);
  const chords = span.passages.flatMap((passage) =>
    passage.lines.flatMap(({ outline, events }) =>
      outline.chords.map(({ chord }, at) => ({
        name: nameOf(chord.symbol, passage.shift),
        tick: events[at]!.tick - span.from,
      })),
    ),
  );
  const starts = new Set<number>([0]);
  const every = step === "section" ? total : step === "bar" ? song.barTicks : song.beatTicks;
  if (step === "word" && words.length > 0) {
    for (const { tick } of words) starts.add(tick);
    for (let tick = 0; tick < total; tick += song.barTicks) starts.add(tick);
  } else for (let tick = 0; tick < total; tick += every) starts.add(tick);
  const sorted = [...starts].sort((a, b) => a - b);
  return sorted.map((from, at) => {
    const to = sorted[at + 1] ?? total;
    const bar = Math.floor(from / song.barTicks) + 1;
    const beat = Math.floor((from % song.barTicks) / song.beatTicks) + 1;
    const label =
      step === "section" ? "all of it" : step === "bar" ? `bar ${bar}` : `bar ${bar} beat ${beat}`;
    const sung = words.filter(({ tick }) => tick >= from && tick < to).map(({ text }) => text);
    const played = chords.filter(({ tick }) => tick >= from && tick < to).map(({ name }) => name);
    return { from, to, label, words: sung.join(" "), chords: sung.length > 0 ? "" : played.join(" ") };
  });
}

/** Units in rows of so many ticks, as they are shown. */
export function rowsOf(ticksInRow: number, units: readonly Unit[]): (readonly Unit[])[] {
  const rows: Unit[][] = [];
  for (const unit of units) {
    const row = Math.floor(unit.from / ticksInRow);
    rows[row] ??= [];
    rows[row].push(unit);
  }
  return rows.filter((row) => row !== undefined);
}
