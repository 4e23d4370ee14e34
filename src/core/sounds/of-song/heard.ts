import type { Ticks } from "../../../base";
import { chordsHeard, isOnlyLine, playedStrokes, type SheetPart } from "../../parts";
import { barsAt, type Passage, ticksOfRange } from "../../song/read";

/** A span of time in which a player is heard. */
export type Heard = { readonly from: Ticks; readonly to: Ticks };

const cut = (one: Heard, by: Heard): Heard[] => {
  const [from, to] = [Math.max(one.from, by.from), Math.min(one.to, by.to)];
  return from < to ? [{ from, to }] : [];
};

/**
 * When a player is heard in one time through a section: chords as long as they sound (a stop and a hold end them), the
 * strokes of a pattern until they are choked, the notes of a line; and only in the bars the part plays.
 * @param endsEarly how much sooner this player's last sound ends
 * @returns spans in order, which may touch
 */
export function heardIn(
  passage: Passage,
  part: SheetPart,
  endsEarly: Ticks,
  anchor: "chord" | "section",
): Heard[] {
  if (part.out) return [];
  const origin = passage.tick + passage.section.pickup;
  const end = passage.tick + passage.ticks;
  const silences = silencesOf(passage);
  const { riff, notes, pattern } = part;
  const struck =
    riff && notes.length > 0 && isOnlyLine(part)
      ? linePlayed(riff.ticks, notes, origin, end).flatMap((one) => without(one, silences))
      : pattern
        ? playedStrokes(part, passage, anchor).map(({ tick, until }) => ({ from: tick, to: until }))
        : chordsHeard(passage);
  const bars = barsPlayed(passage, part);
  const heard = struck.flatMap((one) => bars.flatMap((bar) => cut(one, bar))).sort((a, b) => a.from - b.from);
  const last = Math.max(0, ...heard.map(({ to }) => to)) - endsEarly;
  return heard.flatMap((one) => cut(one, { from: passage.tick, to: last }));
}

/** Where everybody is silent: from a stop on, and while a held chord dies away. */
const silencesOf = (passage: Passage): Heard[] =>
  passage.lines.flatMap(({ events }) =>
    events.flatMap(({ tick, ticks, sounds, held }): Heard[] => {
      const from = tick + Math.max(0, sounds - held);
      return from < tick + ticks ? [{ from, to: tick + ticks }] : [];
    }),
  );

/** What is left of a span beside others. */
const without = (one: Heard, others: readonly Heard[]): Heard[] =>
  others.reduce<Heard[]>(
    (left, { from, to }) =>
      left.flatMap((part) => [
        ...cut(part, { from: Number.NEGATIVE_INFINITY, to: from }),
        ...cut(part, { from: to, to: Number.POSITIVE_INFINITY }),
      ]),
    [one],
  );

/** A line goes round until its section ends. */
function linePlayed(
  length: Ticks,
  notes: readonly { readonly tick: Ticks; readonly ticks: Ticks }[],
  origin: Ticks,
  end: Ticks,
): Heard[] {
  const heard: Heard[] = [];
  for (let round = origin; round < end; round += length)
    for (const { tick, ticks } of notes)
      heard.push(...cut({ from: round + tick, to: round + tick + ticks }, { from: origin, to: end }));
  return heard;
}

/** The bars a part plays, as time; a pickup goes with the first. */
function barsPlayed(passage: Passage, part: SheetPart): Heard[] {
  const all = { from: passage.tick, to: passage.tick + passage.ticks };
  const wanted = barsAt(part.cell, passage.round);
  if (wanted === null) return [all];
  return wanted.flatMap((range) => {
    const [from, to] = ticksOfRange(passage, range);
    return cut({ from, to }, all);
  });
}
