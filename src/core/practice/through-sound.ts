import type { Ticks } from "../../base";
import { type Onset, onsetsOf, type PartOnsets, SPREAD_MS } from "../playing";
import type { HeardPart } from "./heard-part";
import type { AddingSpan, LevelAt } from "./heard-sound";

/** What is heard of a part in a stretch of time, and how loud it is: 1 is as it is played. */
export type HeardOnsets = PartOnsets & {
  readonly levels: readonly { readonly ms: number; readonly gain: number }[];
};

/**
 * What begins to sound of a part between two places of a song, with what the player's box adds to it, and how loud it makes it: at the
 * begin of the stretch, and from wherever that changes.
 * @param msOf when a tick of the song is, ms from the begin of the stretch
 * @example heardOnsets(part, 0, 3840, (tick) => tick / 1.6).line.map(({ pitch }) => pitch) // => [64, 52] an octave below
 */
export function heardOnsets(
  part: HeardPart,
  from: Ticks,
  to: Ticks,
  msOf: (tick: Ticks) => number,
  end: Ticks = to,
): HeardOnsets {
  const { strokes, line, drums } = onsetsOf(part, from, to, msOf, end);
  const spans = (part.sound?.adding ?? [])
    .filter((one) => one.from < to && one.to > from)
    .map((span) => ({ span, from: msOf(Math.max(from, span.from)), to: msOf(Math.min(end, span.to)) }));
  const levels = levelsIn(part, from, to).map(({ tick, gain }) => ({ ms: msOf(tick), gain }));
  if (spans.length === 0) return { strokes, line, drums, levels };
  const through = (onsets: readonly Onset[]): Onset[] =>
    onsets.flatMap((onset) => {
      // What is struck a moment after its stroke has begun belongs to it.
      const here = spans.findLast((one) => onset.ms >= one.from && onset.ms < one.to);
      return here ? added(onset, here.span, () => isSingle(onset, onsets)) : [onset];
    });
  return { strokes: through(strokes), line: through(line), drums, levels };
}

function levelsIn({ sound }: HeardPart, from: Ticks, to: Ticks): readonly LevelAt[] {
  if (!sound || sound.levels.length === 0) return [];
  const gain = sound.levels.findLast(({ tick }) => tick <= from)?.gain ?? 1;
  return [{ tick: from, gain }, ...sound.levels.filter(({ tick }) => tick > from && tick < to)];
}

/** A note with what is added to it; what is added is on no string, and ends nothing that rings there. */
function added(onset: Onset, { adds, dry }: AddingSpan, single: () => boolean): Onset[] {
  const { pitch, velocity } = onset;
  if (pitch === null) return [onset];
  const own = adds.filter(({ onlySingle }) => !onlySingle || single());
  if (own.length === 0) return [onset];
  return [
    ...(dry > 0 ? [{ ...onset, velocity: atLeastOne(velocity * dry) }] : []),
    ...own.map(
      ({ offsets, share }): Onset => ({
        ...onset,
        pitch: pitch + offsets[((pitch % 12) + 12) % 12]!,
        velocity: atLeastOne(velocity * share),
        string: null,
      }),
    ),
  ];
}

const atLeastOne = (velocity: number): number => Math.max(1, Math.round(velocity));

/** Whether nothing else with a pitch is struck with it. */
const isSingle = (onset: Onset, onsets: readonly Onset[]): boolean =>
  onsets.every(
    (other) => other === onset || other.pitch === null || Math.abs(other.ms - onset.ms) > SPREAD_MS,
  );
