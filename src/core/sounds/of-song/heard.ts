import type { Ticks } from "../../../base";
import { parseChord } from "../../chord";
import { isOnlyLine, type SheetPart } from "../../parts";
import { fitPattern } from "../../rhythm";
import { barsAt, type Passage, tickOfBar } from "../../song/read";

/** A span of time in which a player is heard. */
export type Heard = { readonly from: Ticks; readonly to: Ticks };

const cut = (one: Heard, by: Heard): Heard[] => {
  const [from, to] = [Math.max(one.from, by.from), Math.min(one.to, by.to)];
  return from < to ? [{ from, to }] : [];
};

const isSilent = (symbol: string): boolean => {
  const chord = parseChord(symbol);
  return chord.ok && chord.value.kind === "none";
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
  const chords = passage.lines.flatMap(({ outline, events }) =>
    outline.chords.flatMap(({ chord }, at): Heard[] => {
      const { tick, sounds, held } = events[at]!;
      const to = tick + Math.max(0, sounds - held);
      return isSilent(chord.symbol) || to <= tick ? [] : [{ from: tick, to }];
    }),
  );
  const end = passage.tick + passage.ticks;
  const silences = silencesOf(passage);
  const { riff, notes, pattern } = part;
  const struck =
    riff && notes.length > 0 && isOnlyLine(part)
      ? linePlayed(riff.ticks, notes, origin, end).flatMap((one) => without(one, silences))
      : pattern
        ? fitPattern(
            pattern,
            chords.map(({ from, to }) => ({ tick: from - origin, ticks: to - from })),
            anchor,
          ).map(({ tick, until }) => ({ from: origin + tick, to: origin + until }))
        : chords;
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
  return wanted.flatMap(([first, after]) =>
    cut({ from: first === 0 ? all.from : tickOfBar(passage, first), to: tickOfBar(passage, after) }, all),
  );
}
