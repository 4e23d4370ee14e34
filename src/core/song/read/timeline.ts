import type { Ticks } from "../../../base";
import { type BarSum, beatUnitOf, type Meter, sumBars, type Tempo, tempoMs, ticksOfBar } from "../../rhythm";
import type { VersionBody } from "../schema/documents";
import type { Exception, Section, Use } from "../schema/sections";
import type { VersionRow } from "../schema/version";

import { isPlayed, type LaidLine, linesPlayed, type Round } from "./layout";
import {
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
  outlineOf,
} from "./outline";

type Bar = { readonly number: number; readonly tick: Ticks; readonly ticks: Ticks };

/** A chord as it is played: when it comes, how long it is its turn, and how long it sounds of that. */
type ChordEvent = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  /** Less than `ticks` where everybody stops. */
  readonly sounds: Ticks;
  /** How much it comes before its place. */
  readonly early: Ticks;
  /** How much longer than written it is held, and whether somebody gives the sign to go on. */
  readonly held: Ticks;
  readonly cued: boolean;
};

export type TimedLine = LaidLine & {
  readonly tick: Ticks;
  /** The line's chords in their order, in absolute ticks. */
  readonly events: readonly ChordEvent[];
  readonly wordTicks: readonly Ticks[];
};

/** One time through a section: a use with repeats gives several. */
export type Passage = {
  readonly use: Use;
  readonly round: number;
  readonly section: Section;
  readonly label: string;
  readonly lines: readonly TimedLine[];
  readonly bars: readonly Bar[];
  readonly tick: Ticks;
  readonly ticks: Ticks;
  readonly meter: Meter;
  readonly tempo: Tempo;
  /** The note value beats are counted in. */
  readonly beatUnit: string;
  /** Semitones above the version's key. */
  readonly shift: number;
  readonly vocals: boolean;
};

/** The form played out: every bar, chord and word with its absolute tick. */
export type Timeline = {
  readonly passages: readonly Passage[];
  readonly ticks: Ticks;
  readonly bars: number;
  readonly seconds: number;
};

export const meterOf = (body: Pick<VersionBody, "version">): Meter => {
  const version = versionRow(body);
  return { beats: version.meterBeats, unit: version.meterUnit };
};

/** The one row of the version's own settings. */
export function versionRow(body: Pick<VersionBody, "version">) {
  const [row] = Object.values(body.version);
  if (!row) throw new Error("Expected a version row, got an empty table.");
  return row;
}

/** The metre of a use: its own, or the version's. */
export const meterOfUse = (version: VersionRow, use: Use): Meter => ({
  beats: use.meterBeats ?? version.meterBeats,
  unit: use.meterUnit ?? version.meterUnit,
});

/** The tempo of a use; one of its own counts the beats of its metre. */
export function tempoOfUse(version: VersionRow, use: Use): Tempo {
  if (use.bpm === null) return { bpm: version.bpm, beatUnit: version.beatUnit };
  const own = use.meterBeats !== null || use.meterUnit !== null;
  return { bpm: use.bpm, beatUnit: own ? beatUnitOf(meterOfUse(version, use)) : version.beatUnit };
}

/** The note value beats are counted in at a use. */
export const beatUnitOfUse = (version: VersionRow, use: Use): string =>
  use.meterBeats === null && use.meterUnit === null ? version.beatUnit : beatUnitOf(meterOfUse(version, use));

type Play = { readonly use: Use; readonly section: OutlineSection; readonly round: Round };

/** The form as a list of times through a section. */
export function playsOf(outline: Outline): Play[] {
  const plays = outline.form.flatMap((use) => {
    const section = outline.byId.get(use.sectionId);
    return section ? Array.from({ length: use.repeat }, (_, round) => ({ use, round, section })) : [];
  });
  return plays.map(({ use, section, round }, index) => ({
    use,
    section,
    round: { round, last: round === use.repeat - 1, next: plays[index + 1]?.section.section.id ?? null },
  }));
}

/** The tables a song is played out from. */
export type TimelineTables = Pick<
  VersionBody,
  "version" | "sections" | "lines" | "words" | "chords" | "uses" | "exceptions"
>;

/**
 * Expands the form. Bars are counted through the song from 1; a pickup belongs to the bar before it, and
 * at the very start to a bar 0. A hold makes its bar longer; a push takes its time from the chord before.
 */
export function timelineOf(body: TimelineTables, outline: Outline = outlineOf(body)): Timeline {
  const version = versionRow(body);
  const plays = playsOf(outline);
  let tick = 0;
  let number = 1;
  let seconds = 0;
  const passages = plays.map(({ use, section, round }, index): Passage => {
    const exceptions = outline.exceptions.get(use.id);
    const layout = exceptions
      ? layOut(linesPlayed(section, exceptions, round), exceptions, round)
      : plainLayout(section, round);
    const meter = meterOfUse(version, use);
    const head = section.section.pickup;
    const until = layout.score + (plays[index + 1]?.section.section.pickup ?? 0);
    const bars = barsBetween(head, until, ticksOfBar(meter), number).map((bar): Bar => {
      const [from, to] = [heldTick(bar.tick, layout.holds), heldTick(bar.tick + bar.ticks, layout.holds)];
      return { number: bar.number, tick: tick + from, ticks: to - from };
    });
    if (index === 0 && head > 0) bars.unshift({ number: 0, tick: 0, ticks: head });
    number = (bars.at(-1)?.number ?? number - 1) + 1;
    const passage: Passage = {
      use,
      round: round.round,
      section: section.section,
      label: use.label ?? section.section.label,
      lines: shifted(layout, tick),
      bars,
      tick,
      ticks: layout.ticks,
      meter,
      tempo: tempoOfUse(version, use),
      beatUnit: beatUnitOfUse(version, use),
      shift: use.shift,
      vocals: use.vocals,
    };
    tick += layout.ticks;
    seconds += tempoMs(layout.ticks, passage.tempo) / 1000;
    return passage;
  });
  return { passages: push(passages, outline), ticks: tick, bars: number - 1, seconds };
}

function barsBetween(from: Ticks, to: Ticks, bar: Ticks, first: number): Bar[] {
  const bars: Bar[] = [];
  for (let tick = from; tick < to; tick += bar) {
    bars.push({ number: first + bars.length, tick, ticks: Math.min(bar, to - tick) });
  }
  return bars;
}

type Hold = { readonly at: Ticks; readonly ticks: Ticks };

/** Lines in ticks from the start of their passage. `score` is its length without holds. */
type Layout = {
  readonly lines: readonly TimedLine[];
  readonly score: Ticks;
  readonly ticks: Ticks;
  readonly holds: readonly Hold[];
};

/** A place of the written music in the time it is played: holds that end there or before are over. */
const heldTick = (score: Ticks, holds: readonly Hold[]): Ticks =>
  holds.reduce((sum, hold) => (hold.at <= score ? sum + hold.ticks : sum), score);

function layOut(laid: readonly LaidLine[], exceptions: readonly OutlineException[], round: Round): Layout {
  const marks = exceptions.map(({ exception }) => exception).filter((one) => isPlayed(one, round));
  if (marks.length === 0) return layPlain(laid);
  const chords = laid.flatMap(({ outline }) => outline.chords.map(({ chord }) => chord));
  const marked = (kind: Exception["kind"], id: string): Exception[] =>
    marks.filter((one) => one.kind === kind && (one.chordId ?? chords.at(-1)?.id) === id);
  const holds: Hold[] = [];
  let score = 0;
  const lines = laid.map((one): TimedLine => {
    const { outline } = one;
    const start = heldTick(score, holds);
    const events = outline.chords.map(({ chord }): ChordEvent => {
      const tick = heldTick(score, holds);
      const held = marked("hold", chord.id);
      const silent = marked("stop", chord.id).reduce((sum, stop) => sum + stop.ticks, 0);
      const longer = held.reduce((sum, hold) => sum + hold.ticks, 0);
      score += chord.ticks;
      if (longer > 0) holds.push({ at: score, ticks: longer });
      const ticks = chord.ticks + longer;
      const sounds = Math.max(0, ticks - silent);
      return { tick, ticks, sounds, early: 0, held: longer, cued: held.some((hold) => hold.cued) };
    });
    return { ...one, tick: start, events, wordTicks: wordTicks(outline, events, start) };
  });
  return { lines, score, ticks: heldTick(score, holds), holds };
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
      events.push({ tick, ticks, sounds: ticks, early: 0, held: 0, cued: false });
      tick += ticks;
    }
    return { ...one, tick: start, events, wordTicks: wordTicks(outline, events, start) };
  });
  return { lines, score: tick, ticks: tick, holds: [] };
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

function plainLayout(section: OutlineSection, round: Round): Layout {
  const known = plainLayouts.get(section);
  if (known) return known;
  const layout = layOut(linesPlayed(section, [], round), [], round);
  plainLayouts.set(section, layout);
  return layout;
}

/** A layout's lines by the tick they begin at: most of a song stays where it is while one line is typed. */
const shiftedLines = new WeakMap<Layout, Map<Ticks, readonly TimedLine[]>>();
const MOST_PLACES = 64;

function shifted(layout: Layout, by: Ticks): readonly TimedLine[] {
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

/**
 * Lets pushed chords come early. The chord before, in whatever passage, ends sooner by as much; it keeps at least
 * a tick, and at the very start of the song there is nothing to come before.
 */
function push(passages: readonly Passage[], outline: Outline): readonly Passage[] {
  if (![...outline.exceptions.values()].flat().some(({ exception }) => exception.kind === "push"))
    return passages;
  const copies = passages.map((passage) => ({
    ...passage,
    lines: passage.lines.map((line) => ({ ...line, events: [...line.events] })),
  }));
  let before: { readonly events: ChordEvent[]; readonly at: number } | null = null;
  for (const [index, passage] of copies.entries()) {
    const next = copies[index + 1]?.section.id ?? null;
    const round = { round: passage.round, last: passage.round === passage.use.repeat - 1, next };
    const pushes = (outline.exceptions.get(passage.use.id) ?? [])
      .map(({ exception }) => exception)
      .filter((one) => one.kind === "push" && isPlayed(one, round));
    const first = passage.lines.find((line) => line.events.length > 0)?.outline.chords[0]?.chord.id;
    for (const { outline: line, events } of passage.lines) {
      for (const [at, { chord }] of line.chords.entries()) {
        const wanted = pushes.find((one) => (one.chordId ?? first) === chord.id)?.ticks ?? 0;
        const room: ChordEvent | undefined = before?.events[before.at];
        const early = Math.min(wanted, Math.max(0, (room?.ticks ?? 0) - 1));
        if (before && room && early > 0) {
          before.events[before.at] = {
            ...room,
            ticks: room.ticks - early,
            sounds: Math.min(room.sounds, room.ticks - early),
          };
          const event: ChordEvent = events[at]!;
          events[at] = {
            ...event,
            tick: event.tick - early,
            ticks: event.ticks + early,
            sounds: event.sounds + early,
            early,
          };
        }
        before = { events, at };
      }
    }
  }
  return copies;
}

/** How the bars of one time through a section add up, exceptions and metre of its use included. */
export function passageSum(passage: Passage, next: Passage | undefined): BarSum {
  const chordsOf = (one: Passage) => one.lines.map(({ outline }) => timedChords(outline));
  const own = { pickup: passage.section.pickup, lines: chordsOf(passage) };
  const after = next ? [{ pickup: next.section.pickup, lines: chordsOf(next) }] : [];
  return sumBars([own, ...after], ticksOfBar(passage.meter))[0]!;
}

/** How one section's bars add up, judged against the section that follows it. */
export function sectionSum(section: OutlineSection, next: OutlineSection | undefined, bar: Ticks): BarSum {
  const own = { pickup: section.section.pickup, lines: section.lines.map(timedChords) };
  const after = next ? [{ pickup: next.section.pickup, lines: next.lines.map(timedChords) }] : [];
  return sumBars([own, ...after], bar)[0]!;
}

/** The section that follows each one the first time it is used; none for the last, or one not in the form. */
function nextSections(outline: Outline): ReadonlyMap<string, OutlineSection | undefined> {
  const played = outline.form.map((use) => use.sectionId);
  return new Map(
    outline.sections.map(({ section }) => {
      const at = played.indexOf(section.id);
      return [section.id, at < 0 ? undefined : outline.byId.get(played[at + 1] ?? "")];
    }),
  );
}

/**
 * How each section's bars add up. What must close is judged against the section that follows it in the
 * form (the first time it is used); a section that is not in the form stands alone.
 */
export function sectionSums(
  body: Pick<VersionBody, "version">,
  outline: Outline,
  sumOf: typeof sectionSum = sectionSum,
): ReadonlyMap<string, BarSum> {
  const bar = ticksOfBar(meterOf(body));
  const next = nextSections(outline);
  return new Map(
    outline.sections.map((section) => [
      section.section.id,
      sumOf(section, next.get(section.section.id), bar),
    ]),
  );
}

export const timedChords = (line: OutlineLine) =>
  line.chords.map(({ chord }) => ({ symbol: chord.symbol, ticks: chord.ticks }));
