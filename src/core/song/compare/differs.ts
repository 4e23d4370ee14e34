import { barOfTick, barsIn, joined } from "../read/bar-ranges";
import type { Outline } from "../read/outline";
import type { Passage, Timeline } from "../read/timeline";
import { tellBarRanges } from "../schema/telling";
import { differencesFrom, likenesses, type Similarity } from "./similarity";

/** What one time through a section is played otherwise than the first time something like it was. */
export type Differs = {
  /** What the first time is called. */
  readonly than: string;
  /** Bars with other chords, counted from 0, with those chords as written; none where chords are left out. */
  readonly bars: readonly { readonly bar: number; readonly symbols: readonly string[] }[];
  /** How many bars more it has; less than 0 is fewer. */
  readonly more: number;
};

/** Chords of a passage by the bar they are written in, each with its place in it. */
function chordsByBar(passage: Passage): readonly (readonly { symbol: string; at: number }[])[] {
  const bars = Array.from({ length: barsIn(passage).length }, (): { symbol: string; at: number }[] => []);
  for (const { outline, events } of passage.lines)
    for (const [index, { chord }] of outline.chords.entries()) {
      const { tick, early, late } = events[index]!;
      const place = barOfTick(passage, tick + early - late);
      const bar = Math.min(bars.length - 1, Math.floor(place));
      bars[bar]?.push({ symbol: chord.symbol, at: place - bar });
    }
  return bars;
}

/** Whether two passages are the very same lines: most are. */
const isSame = (a: Passage, b: Passage): boolean =>
  a.lines.length === b.lines.length &&
  a.lines.every((line, index) => line.outline === b.lines[index]!.outline) &&
  barsIn(a).length === barsIn(b).length;

/** How a passage differs from an earlier one by its chords; null where it does not. */
function between(first: Passage, passage: Passage): Differs | null {
  if (isSame(first, passage)) return null;
  const [was, is] = [chordsByBar(first), chordsByBar(passage)];
  const bars = is.flatMap((chords, bar) => {
    const before = was[bar];
    if (!before || JSON.stringify(before) === JSON.stringify(chords)) return [];
    const fresh = chords.filter(
      ({ symbol, at }) => !before.some((one) => one.symbol === symbol && Math.abs(one.at - at) < 0.01),
    );
    return [{ bar, symbols: [...new Set(fresh.map(({ symbol }) => symbol))] }];
  });
  const more = is.length - was.length;
  return bars.length === 0 && more === 0 ? null : { than: first.label, bars, more };
}

/**
 * Where a section is played with other chords than the first time: the first time of itself, or of the earlier section it
 * goes like. What is early, late, held or in another key is no other chord.
 * @param alike which sections go like an earlier one, where that is known
 */
export function differsIn(
  { passages }: Pick<Timeline, "passages">,
  outline: Outline,
  beatUnit: string,
  alike: ReadonlyMap<string, Pick<Similarity, "like">> = likenesses(outline, (a, b) =>
    differencesFrom(a, b, beatUnit),
  ),
): ReadonlyMap<Passage, Differs> {
  const firsts = new Map<string, Passage>();
  const found = new Map<Passage, Differs>();
  for (const passage of passages) {
    const { id } = passage.section;
    const first = firsts.get(id) ?? firsts.get(alike.get(id)?.like ?? "");
    if (!firsts.has(id)) firsts.set(id, passage);
    const differs = first && between(first, passage);
    if (differs) found.set(passage, differs);
  }
  return found;
}

/** More bars than these are told by their numbers alone. */
const FEW_BARS = 3;

/**
 * The same in words.
 * @param nameOf the chord's name for the reader
 * @example tellDiffers(differs) // => "other chords than Verse 1: Am7 in bar 2"
 */
export function tellDiffers(
  { than, bars, more }: Differs,
  nameOf: (symbol: string) => string = (symbol) => symbol,
): string {
  const length =
    more === 0
      ? ""
      : `${Math.abs(more)} ${Math.abs(more) === 1 ? "bar" : "bars"} ${more > 0 ? "more" : "fewer"}`;
  if (bars.length === 0) return `${length} than ${than}`;
  const tail = length === "" ? "" : `, and ${length}`;
  if (bars.length <= FEW_BARS) {
    const told = bars.map(({ bar, symbols }) =>
      symbols.length === 0 ? `fewer in bar ${bar + 1}` : `${symbols.map(nameOf).join(" ")} in bar ${bar + 1}`,
    );
    return `other chords than ${than}: ${told.join(", ")}${tail}`;
  }
  const ranges = joined(bars.map(({ bar }) => [bar, bar + 1] as const));
  return `other chords than ${than} in ${tellBarRanges(ranges, {})}${tail}`;
}
