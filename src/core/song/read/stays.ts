import type { Ticks } from "../../../base";
import { byOrder } from "../../../document";
import type { Entrance } from "../schema/entrances";
import { type BarRanges, barOfTick, barsIn, joined, rangesOf, ticksOfRange } from "./bar-ranges";
import type { Passage, Timeline } from "./timeline";

/** When a player is in, in one time through a section: null is all of it, an empty list not at all. */
export type Stay = BarRanges | null;

/** A span of the song in ticks. */
type Span = readonly [from: Ticks, to: Ticks];

/** The spans of a use an entrance names, each time round; the whole use is one. */
function spansNamed({ bars, useId }: Entrance, passages: readonly Passage[]): Span[] {
  const here = passages.filter(({ use }) => use.id === useId);
  const [first, last] = [here[0], here.at(-1)];
  if (!first || !last) return [];
  if (bars === null) return [[first.tick, last.tick + last.ticks]];
  return here.flatMap((passage) =>
    rangesOf(bars, passage).map((range): Span => ticksOfRange(passage, range)),
  );
}

/**
 * When a player is in, as their entrances say. Entrances and exits count in the order of the song: before the first the
 * player is in the other state. Where something says "only", all else is out.
 * @returns spans in order, or null for the whole song
 */
function spansIn(entrances: readonly Entrance[], { passages, ticks }: Timeline): Span[] | null {
  const only = entrances.filter(({ kind }) => kind === "only").flatMap((one) => spansNamed(one, passages));
  const turns = entrances
    .filter(({ kind }) => kind !== "only")
    .flatMap(({ kind, ...one }) =>
      spansNamed({ kind, ...one }, passages)
        .slice(0, 1)
        .map(([tick]) => ({ kind, tick })),
    )
    .toSorted((a, b) => a.tick - b.tick);
  if (only.length === 0 && turns.length === 0) return null;
  const between: Span[] = [];
  let since: Ticks | null = turns[0]?.kind === "enters" ? null : 0;
  for (const { kind, tick } of turns) {
    if (kind === "enters") since ??= tick;
    else if (since !== null) {
      between.push([since, tick]);
      since = null;
    }
  }
  if (since !== null) between.push([since, ticks]);
  return [...(only.length === 0 ? between : inSpans(between, only))];
}

const inSpans = (spans: readonly Span[], only: readonly Span[]): readonly Span[] =>
  joined(
    spans.flatMap(([from, to]) => only.map((one): Span => [Math.max(from, one[0]), Math.min(to, one[1])])),
  );

/** What of some spans lies in a passage, in its bars; a pickup goes with the first bar. */
function stayIn(spans: readonly Span[], passage: Passage): Stay {
  const count = barsIn(passage).length;
  const end = passage.tick + passage.ticks;
  const ranges = joined(
    spans
      .filter(([from, to]) => from < end && to > passage.tick)
      .map(([from, to]) => [
        from <= passage.tick ? 0 : barOfTick(passage, from),
        to >= end ? count : barOfTick(passage, to),
      ]),
  );
  return ranges.length === 1 && ranges[0]![0] === 0 && ranges[0]![1] === count ? null : ranges;
}

/**
 * When a player is in, by use and round; nothing for a player who is in from the first bar to the last.
 * @param entrances the player's own
 */
export function staysOf(
  entrances: readonly Entrance[],
  timeline: Timeline,
): ReadonlyMap<string, readonly Stay[]> | null {
  const spans = spansIn(entrances.toSorted(byOrder), timeline);
  if (spans === null) return null;
  const stays = new Map<string, Stay[]>();
  for (const passage of timeline.passages)
    stays.set(passage.use.id, [...(stays.get(passage.use.id) ?? []), stayIn(spans, passage)]);
  return stays;
}
