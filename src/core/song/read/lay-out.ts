import type { Ticks } from "../../../base";
import type { Exception, ExceptionKind } from "../schema/sections";
import { isPlayed, type LaidLine, type Round } from "./layout";
import type { OutlineException, OutlineLine, OutlineSection } from "./outline";

/** A chord as it is played: when it comes, how long it is its turn, and how long it sounds of that. */
export type ChordEvent = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  /** Less than `ticks` where it is stopped, choked or struck and let go; 0 where the band is silent. */
  readonly sounds: Ticks;
  /** How much it comes before its place. */
  readonly early: Ticks;
  /** How much it comes after its place. */
  readonly late: Ticks;
  /** How much longer than written it is held, and whether somebody gives the sign to go on. */
  readonly held: Ticks;
  readonly cued: boolean;
  /** Why it is cut short, where one strike is all of it: choked by the hand, or hit and let go. */
  readonly cut: "choke" | "hit" | null;
};

export type TimedLine = LaidLine & {
  readonly tick: Ticks;
  /** The line's chords in their order, in absolute ticks. */
  readonly events: readonly ChordEvent[];
  readonly wordTicks: readonly Ticks[];
};

type Hold = { readonly at: Ticks; readonly ticks: Ticks };

/** Lines in ticks from the start of their passage. `score` is its length without holds. */
export type Layout = {
  readonly lines: readonly TimedLine[];
  readonly score: Ticks;
  readonly ticks: Ticks;
  readonly holds: readonly Hold[];
  readonly tacet: boolean;
};

/** A place of the written music in the time it is played: holds that end there or before are over. */
export const heldTick = (score: Ticks, holds: readonly Hold[]): Ticks =>
  holds.reduce((sum, hold) => (hold.at <= score ? sum + hold.ticks : sum), score);

/** Whether a mark without a chord of its own is at the first chord; holds and stops are at the last. */
const isAtFirst = (kind: ExceptionKind): boolean => kind !== "hold" && kind !== "stop";

/** Looks up the marks of one kind at a chord. What a use says stands before what its section says there. */
export function marksOf(
  marks: readonly Exception[],
  chordIds: readonly string[],
): (kind: ExceptionKind, chordId: string) => readonly Exception[] {
  return (kind, chordId) => {
    const unnamed = chordIds.at(isAtFirst(kind) ? 0 : -1);
    const here = marks.filter((one) => one.kind === kind && (one.chordId ?? unnamed) === chordId);
    const own = here.filter(({ useId }) => useId !== null);
    return own.length > 0 ? own : here;
  };
}

export const chordIdsOf = (lines: readonly LaidLine[]): string[] =>
  lines.flatMap(({ outline }) => outline.chords.map(({ chord }) => chord.id));

/** Kinds of exception that mark a chord, or all of them, and bring no lines. */
export const MARKS: ReadonlySet<ExceptionKind> = new Set([
  "hold",
  "push",
  "late",
  "choke",
  "hit",
  "stop",
  "tacet",
]);

/** The marks that count in one time through a section, each with the chord it is at. */
export function marksPlayed(
  exceptions: readonly OutlineException[],
  laid: readonly LaidLine[],
  round: Round,
): OutlineException[] {
  const played = exceptions.filter(
    ({ exception }) => MARKS.has(exception.kind) && isPlayed(exception, round),
  );
  const ids = chordIdsOf(laid);
  const marked = marksOf(
    played.map(({ exception }) => exception),
    ids,
  );
  return played.flatMap((one): OutlineException[] => {
    const { exception } = one;
    if (exception.kind === "tacet") return [one];
    const chordId = exception.chordId ?? ids.at(isAtFirst(exception.kind) ? 0 : -1) ?? null;
    const counts =
      chordId !== null && ids.includes(chordId) && marked(exception.kind, chordId).includes(exception);
    return counts ? [{ ...one, exception: { ...exception, chordId } }] : [];
  });
}

/** Lays lines out in time with what is held, stopped and cut short in them; what comes early or late is {@link shiftChords}. */
export function layOut(
  laid: readonly LaidLine[],
  exceptions: readonly OutlineException[],
  round: Round,
): Layout {
  const marks = exceptions.map(({ exception }) => exception).filter((one) => isPlayed(one, round));
  if (marks.length === 0) return layPlain(laid);
  const tacet = marks.some(({ kind }) => kind === "tacet");
  const marked = marksOf(marks, chordIdsOf(laid));
  const sum = (list: readonly Exception[]): Ticks => list.reduce((ticks, one) => ticks + one.ticks, 0);
  const holds: Hold[] = [];
  let score = 0;
  const lines = laid.map((one): TimedLine => {
    const { outline } = one;
    const start = heldTick(score, holds);
    const events = outline.chords.map(({ chord }): ChordEvent => {
      const tick = heldTick(score, holds);
      const held = marked("hold", chord.id);
      const longer = sum(held);
      score += chord.ticks;
      if (longer > 0) holds.push({ at: score, ticks: longer });
      const ticks = chord.ticks + longer;
      const cut = (["choke", "hit"] as const).find((kind) => sum(marked(kind, chord.id)) > 0) ?? null;
      const rings = cut ? sum(marked(cut, chord.id)) : ticks;
      const sounds = tacet ? 0 : Math.max(0, Math.min(rings, ticks - sum(marked("stop", chord.id))));
      return {
        tick,
        ticks,
        sounds,
        early: 0,
        late: 0,
        held: longer,
        cued: held.some(({ cued }) => cued),
        cut,
      };
    });
    return { ...one, tick: start, events, wordTicks: wordTicks(outline, events, start) };
  });
  return { lines, score, ticks: heldTick(score, holds), holds, tacet };
}

/** Lines with nothing otherwise: every chord straight after the one before. */
function layPlain(laid: readonly LaidLine[]): Layout {
  let tick = 0;
  const lines = laid.map((one): TimedLine => {
    const { outline } = one;
    const start = tick;
    const events: ChordEvent[] = [];
    for (const { chord } of outline.chords) {
      const { ticks } = chord;
      events.push({ tick, ticks, sounds: ticks, early: 0, late: 0, held: 0, cued: false, cut: null });
      tick += ticks;
    }
    return { ...one, tick: start, events, wordTicks: wordTicks(outline, events, start) };
  });
  return { lines, score: tick, ticks: tick, holds: [], tacet: false };
}

/** Words between two chords share the first one's time by their place in the text; a hold comes after them. */
function wordTicks(line: OutlineLine, events: readonly ChordEvent[], start: Ticks): Ticks[] {
  return line.words.map(({ at }) => {
    const index = line.chords.findLastIndex((chord) => chord.at <= at);
    if (index < 0) return start;
    const { chord, at: from } = line.chords[index]!;
    const to = line.chords[index + 1]?.at ?? Math.max(line.text.length, from + 1);
    const share = to > from ? (at - from) / (to - from) : 0;
    return events[index]!.tick + Math.round(chord.ticks * Math.min(1, share));
  });
}

/** Layouts of sections with nothing otherwise: a section that has not changed is the same object, and laid once. */
const plainLayouts = new WeakMap<OutlineSection, Layout>();

export function plainLayout(section: OutlineSection): Layout {
  const known = plainLayouts.get(section);
  if (known) return known;
  const layout = layPlain(
    section.lines.map((outline) => ({ outline, origin: "section", slot: outline.line.id })),
  );
  plainLayouts.set(section, layout);
  return layout;
}

/** A layout's lines by the tick they begin at: most of a song stays where it is while one line is typed. */
const shiftedLines = new WeakMap<Layout, Map<Ticks, readonly TimedLine[]>>();
const MOST_PLACES = 64;

export function shifted(layout: Layout, by: Ticks): readonly TimedLine[] {
  const places = shiftedLines.get(layout) ?? new Map<Ticks, readonly TimedLine[]>();
  const known = places.get(by);
  if (known) return known;
  if (places.size >= MOST_PLACES) places.clear();
  const lines = shift(layout.lines, by);
  shiftedLines.set(layout, places.set(by, lines));
  return lines;
}

const shift = (lines: readonly TimedLine[], by: Ticks): TimedLine[] =>
  lines.map((line) => ({
    ...line,
    tick: line.tick + by,
    events: line.events.map((event) => ({ ...event, tick: event.tick + by })),
    wordTicks: line.wordTicks.map((tick) => tick + by),
  }));
