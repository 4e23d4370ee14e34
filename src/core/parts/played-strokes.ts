import type { Ticks } from "../../base";
import { parseChord } from "../chord";
import { isForRound, type NoteTimes } from "../fretboard";
import {
  beatUnitOf,
  type ChordSpan,
  type FittedStroke,
  fitPattern,
  type Pattern,
  ticksOfBar,
  ticksOfBeatUnit,
  ticksOfPattern,
} from "../rhythm";
import type { ChordEvent, Passage, ResolvedCell } from "../song/read";
import type { StrumRow } from "../song/schema";
import { holdsOf, lineRounds, lineSpans, type SheetPart, writtenTime } from "./band";

/** A chord as long as it is heard: a stop and a hold end it. */
export type ChordHeard = {
  readonly event: ChordEvent;
  /** As it is written. */
  readonly symbol: string;
  readonly from: Ticks;
  readonly to: Ticks;
};

/** Which of a part's patterns a stroke is of: the usual one, that for short chords, or the fill before a change. */
export type PatternUse = "usual" | "short" | "fill";
export type PlayedStroke = FittedStroke & { readonly of: PatternUse };

const isSilent = (symbol: string): boolean => {
  const chord = parseChord(symbol);
  return chord.ok && chord.value.kind === "none";
};

/** The chords of a passage that are heard, each as long as it is. */
export const chordsHeard = (passage: Passage): ChordHeard[] =>
  passage.lines.flatMap(({ outline, events }) =>
    outline.chords.flatMap(({ chord }, at): ChordHeard[] => {
      const event = events[at]!;
      const to = event.tick + Math.max(0, event.sounds - event.held);
      return isSilent(chord.symbol) || to <= event.tick
        ? []
        : [{ event, symbol: chord.symbol, from: event.tick, to }];
    }),
  );

/**
 * The strokes of a part in one time through a section, at their ticks in the song: under chords that come early or late
 * they go with them, and where a chord is not heard there are none. Chords of half a bar or less may have a pattern of their
 * own, and the last beats before another chord a fill, where the chord is at least twice as long.
 */
export function playedStrokes(
  {
    pattern,
    shortPattern = null,
    fillPattern = null,
    out,
  }: Pick<SheetPart, "pattern" | "out"> & Partial<Pick<SheetPart, "shortPattern" | "fillPattern">>,
  passage: Passage,
  anchor: StrumRow["anchor"],
): readonly PlayedStroke[] {
  if (out || !pattern) return [];
  const origin = passage.tick + passage.section.pickup;
  const heard = chordsHeard(passage);
  // A late chord is struck late, and its pattern keeps to its beats: it is fitted where it is written.
  const places = heard.map(({ event, from }) => from - event.late);
  const half = ticksOfBar(passage.meter) / 2;
  const struck = heard.flatMap(({ event, symbol, to }, at): PlayedStroke[] => {
    const from = places[at]!;
    const end = Math.min(to, places[at + 1] ?? to);
    if (end <= from) return [];
    const chord = { tick: from - origin, ticks: end - from };
    const isShort = shortPattern !== null && event.ticks <= half;
    const strokes = isShort
      ? fitPattern(shortPattern, [chord], "chord")
      : fitPattern(pattern, [chord], anchor);
    const usual = strokes.map((one): PlayedStroke => ({ ...one, of: isShort ? "short" : "usual" }));
    // The end of a section is a change too.
    return fillPattern && heard[at + 1]?.symbol !== symbol ? withFill(usual, fillPattern, chord) : usual;
  });
  const lateBy = new Map(heard.map(({ event }, at) => [places[at]!, event.late]));
  return struck.map((stroke) => {
    const place = stroke.tick + origin;
    return { ...stroke, tick: place + (lateBy.get(place) ?? 0), until: stroke.until + origin };
  });
}

/** Strokes under a chord whose last beats are a fill; as they are where the chord is too short for one. */
function withFill(strokes: readonly PlayedStroke[], fill: Pattern, chord: ChordSpan): PlayedStroke[] {
  const length = ticksOfPattern(fill);
  const beat = ticksOfBeatUnit(beatUnitOf(fill.meter))!;
  const end = chord.tick + chord.ticks;
  // The next chord may come early: the fill keeps to the beats before where it is written, and is cut.
  const from = Math.ceil(end / beat) * beat - length;
  if (from - chord.tick < length) return [...strokes];
  const before = strokes
    .filter(({ tick }) => tick < from)
    .map((one) => ({ ...one, until: Math.min(one.until, from) }));
  const filled = fitPattern(fill, [{ tick: from, ticks: end - from }], "chord");
  return [...before, ...filled.map((one): PlayedStroke => ({ ...one, of: "fill" }))];
}

/** The sign a stroke is drawn with. */
export function signOfStroke({ stroke }: Pick<FittedStroke, "stroke">): string {
  switch (stroke.kind) {
    case "down":
      return "↓";
    case "up":
      return "↑";
    case "dead":
      return "×";
    default:
      return "•";
  }
}

/** A part that plays all its bars. */
const EVERYWHERE: Pick<ResolvedCell, "bars" | "stays" | "lineFill"> = Object.freeze({
  bars: { value: null, from: "player" as const },
  stays: null,
  lineFill: { value: "again" as const, from: "player" as const },
});

/** The times in a passage at which everybody is silent, or a part plays none of its bars. */
export type Silences = (tick: Ticks) => boolean;

/**
 * The notes of a line in one time through a section, at their ticks from the passage's begin: the line is played in the bars
 * of its part as it fills them, notes of another time round and those in a silence are left out, and what a hold moves comes
 * later.
 * @param cell which bars the part plays, and how its line fills them
 * @param isThrough whether the line belongs to the section's chords and begins with them; see `lineSpans`
 */
export function playedNotes<
  Note extends {
    readonly tick: Ticks;
    readonly ticks: Ticks;
    readonly round?: number | null;
    readonly times?: NoteTimes;
  },
>(
  notes: readonly Note[],
  length: Ticks,
  passage: Passage,
  isSilent: Silences,
  cell: Pick<ResolvedCell, "bars" | "stays" | "lineFill"> = EVERYWHERE,
  isThrough = false,
): Note[] {
  const events = passage.lines.flatMap((line) => line.events);
  const holds = holdsOf(passage);
  const asWritten = writtenTime(passage);
  const gaps = events
    .filter(({ sounds, ticks }) => sounds < ticks)
    .map(({ tick, sounds, ticks }) => [tick + sounds - passage.tick, tick + ticks - passage.tick] as const);
  const found: Note[] = [];
  let held = 0;
  const waiting = [...holds];
  const rounds = lineSpans(cell, passage, isThrough).flatMap(({ from, to }) =>
    lineRounds({ from: asWritten(from), to: asWritten(to) }, length, cell.lineFill.value),
  );
  // A section that is repeated goes on counting the times round.
  const before = passage.round * rounds.length;
  const of = passage.use.repeat * rounds.length;
  for (const [at, { begins, from, to }] of rounds.entries())
    for (const note of notes) {
      const written = begins + note.tick;
      const isThisTime = isForRound({ round: null, ...note }, before + at + 1, of);
      if (written < from || written >= to || !isThisTime) continue;
      while (waiting[0] && waiting[0].at - held <= written) held += waiting.shift()!.ticks;
      const tick = written + held;
      const isCut = gaps.some(([start, end]) => tick >= start && tick < end);
      if (!isCut && !passage.tacet && !isSilent(passage.tick + tick)) found.push({ ...note, tick });
    }
  return found;
}
