import type { Ticks } from "../../../base";

/** A sign between two bar lines: the column it begins in, and whether it hangs on the one before without a dash between. */
export type Placed = { readonly column: number; readonly joined: boolean };

/** What columns may stand for, the coarsest first, in ticks: a quarter down to a thirty-second, triplets among them. */
const STEPS: readonly Ticks[] = [960, 480, 320, 240, 160, 120, 80, 60];
const FINEST = 60;
/** Dashes that may stand before the first column, and behind the last, without being time. */
const MOST_MARGIN = 2;
/** A sign may stand so far off its column, as a share of one. Ours, no source. */
const OFF = 0.22;
/** What a margin costs against standing off. */
const MARGIN_COST = 0.03;

/**
 * Where the signs of a bar are meant, in ticks from its begin: on the coarsest grid on which every column has a place of its
 * own, margins of a dash or two left out. What hangs on a note by a slide or a hammer-on shares the time till the next one.
 * @param length columns between the bar lines
 * @returns a tick a sign, in the order given: string by string, each from left to right
 */
export function guessTimes(rows: readonly (readonly Placed[])[], length: number, bar: Ticks): Ticks[][] {
  const columns = [
    ...new Set(rows.flatMap((row) => row.flatMap(({ column, joined }) => (joined ? [] : [column])))),
  ].sort((a, b) => a - b);
  const tickOf = gridFor(columns, length, bar);
  const onsets = columns.map(tickOf);
  return rows.map((row) => {
    const ticks: Ticks[] = [];
    for (const [at, { column, joined }] of row.entries()) {
      if (!joined || at === 0) {
        ticks.push(tickOf(column));
        continue;
      }
      let first = at;
      while (first > 0 && row[first]!.joined) first--;
      let last = at;
      while (row[last + 1]?.joined) last++;
      const from = tickOf(row[first]!.column);
      const to = onsets.find((tick) => tick > from) ?? bar;
      const share = (at - first) / (last - first + 1);
      ticks.push(from + Math.round((share * (to - from)) / FINEST) * FINEST);
    }
    return ticks;
  });
}

/** How columns are read as ticks. */
function gridFor(columns: readonly number[], length: number, bar: Ticks): (column: number) => Ticks {
  for (const step of STEPS) {
    if (bar % step !== 0) continue;
    const slots = bar / step;
    let best: { readonly cost: number; readonly slotOf: (column: number) => number } | null = null;
    for (let before = 0; before <= MOST_MARGIN; before++)
      for (let behind = 0; behind <= MOST_MARGIN; behind++) {
        const wide = length - before - behind;
        if (wide < slots && columns.length > 1 && wide <= 0) continue;
        const slotOf = (column: number) => ((column - before) / Math.max(1, wide)) * slots;
        const places = columns.map((column) => Math.round(slotOf(column)));
        const off = Math.max(0, ...columns.map((column, at) => Math.abs(slotOf(column) - places[at]!)));
        const isApart = new Set(places).size === places.length;
        const isWithin = places.every((place) => place >= 0 && place < slots);
        if (off > OFF || !isApart || !isWithin) continue;
        const cost = off + MARGIN_COST * (before + behind);
        if (!best || cost < best.cost) best = { cost, slotOf };
      }
    if (best) {
      const { slotOf } = best;
      return (column) => Math.round(slotOf(column)) * step;
    }
  }
  return (column) =>
    Math.min(bar - FINEST, Math.round(((column / Math.max(1, length)) * bar) / FINEST) * FINEST);
}
