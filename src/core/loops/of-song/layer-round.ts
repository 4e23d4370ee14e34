import type { Ticks } from "../../../base";
import type { SheetRow } from "../../parts";
import { type LoopLayerRow, MOST_LAYER_BARS } from "../../song/schema";

export type PartChords = LoopLayerRow["chords"];

/** The shortest run of whole bars that, gone round, gives all the chords. */
export function shortestRound(
  chords: PartChords,
  bars: number,
  barTicks: Ticks,
): { bars: number; chords: PartChords } {
  const ends: { symbol: string; from: Ticks; to: Ticks }[] = [];
  let tick = 0;
  for (const { symbol, ticks } of chords) {
    ends.push({ symbol, from: tick, to: tick + ticks });
    tick += ticks;
  }
  const within = (from: Ticks, to: Ticks): string =>
    ends
      .filter((one) => one.to > from && one.from < to)
      .map((one) => `${one.symbol} ${Math.min(one.to, to) - Math.max(one.from, from)}`)
      .join("|");
  for (let round = 1; round < bars; round++) {
    if (bars % round !== 0) continue;
    const length = round * barTicks;
    const first = within(0, length);
    const same = Array.from({ length: bars / round }, (_, at) =>
      within(at * length, (at + 1) * length),
    ).every((one) => one === first);
    if (same) return { bars: round, chords: cutChords(chords, length) };
  }
  return { bars, chords: cutChords(chords, bars * barTicks) };
}

export function cutChords(chords: PartChords, until: Ticks): PartChords {
  const kept: { symbol: string; ticks: Ticks }[] = [];
  let tick = 0;
  for (const { symbol, ticks } of chords) {
    if (tick >= until) break;
    kept.push({ symbol, ticks: Math.min(ticks, until - tick) });
    tick += ticks;
  }
  return kept;
}

/** The chords of a time through a section from its first bar line on, and its whole bars; null where it has none. */
export function chordsOfRow(
  { passage }: Pick<SheetRow, "passage">,
  barTicks: Ticks,
): { readonly bars: number; readonly chords: PartChords } | null {
  const bars = Math.min(MOST_LAYER_BARS, Math.floor((passage.ticks - passage.section.pickup) / barTicks));
  if (bars < 1) return null;
  const downbeat = passage.tick + passage.section.pickup;
  const chords = passage.lines
    .flatMap(({ outline, events }) =>
      outline.chords.map(({ chord }, at) => ({
        symbol: chord.symbol,
        tick: events[at]!.tick,
        ticks: events[at]!.ticks,
      })),
    )
    .map(({ symbol, tick, ticks }) => ({ symbol, ticks: ticks - Math.max(0, downbeat - tick) }))
    .filter(({ ticks }) => ticks > 0);
  return { bars, chords };
}
