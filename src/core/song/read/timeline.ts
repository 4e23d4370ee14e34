import type { Ticks } from "../../../base";
import { type BarSum, beatUnitOf, type Meter, sumBars, type Tempo, tempoMs, ticksOfBar } from "../../rhythm";
import type { VersionBody } from "../schema/documents";
import type { Section, Use } from "../schema/sections";
import type { VersionRow } from "../schema/version";

import { heldTick, layOut, plainLayout, shifted, type TimedLine } from "./lay-out";
import { linesPlayed, type Round } from "./layout";
import { exceptionsAt, type Outline, type OutlineLine, type OutlineSection, outlineOf } from "./outline";
import { placeNames } from "./place-names";
import { shiftChords } from "./shift-chords";

type Bar = { readonly number: number; readonly tick: Ticks; readonly ticks: Ticks };

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
  /** Whether the band is silent in it and only voices go on. */
  readonly tacet: boolean;
  /** Where it stands among the times its use, and its section, are played. */
  readonly turn: Round;
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
  const lastTimes = new Map(plays.map(({ use }, index) => [use.sectionId, index]));
  const times = new Map<string, number>();
  return plays.map(({ use, section, round }, index) => {
    const time = times.get(use.sectionId) ?? 0;
    times.set(use.sectionId, time + 1);
    const next = plays[index + 1]?.section.section.id ?? null;
    const last = round === use.repeat - 1;
    return {
      use,
      section,
      round: { round, last, next, time, lastTime: lastTimes.get(use.sectionId) === index },
    };
  });
}

/** The tables a song is played out from. */
export type TimelineTables = Pick<
  VersionBody,
  "version" | "sections" | "lines" | "words" | "chords" | "uses" | "exceptions" | "anchors"
>;

/**
 * Expands the form. Bars are counted through the song from 1; a pickup belongs to the bar before it, and
 * at the very start to a bar 0. A hold makes its bar longer; a push takes its time
 * from the chord before, a late chord leaves it more.
 */
export function timelineOf(body: TimelineTables, outline: Outline = outlineOf(body)): Timeline {
  const version = versionRow(body);
  const plays = playsOf(outline);
  const names = placeNames(outline);
  let tick = 0;
  let number = 1;
  let seconds = 0;
  const passages = plays.map(({ use, section, round }, index): Passage => {
    const exceptions = exceptionsAt(outline, use);
    const layout =
      exceptions.length > 0
        ? layOut(linesPlayed(section, exceptions, round), exceptions, round)
        : plainLayout(section);
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
      label: names.get(use.id) ?? section.section.label,
      lines: shifted(layout, tick),
      bars,
      tick,
      ticks: layout.ticks,
      meter,
      tempo: tempoOfUse(version, use),
      beatUnit: beatUnitOfUse(version, use),
      shift: use.shift,
      vocals: use.vocals,
      tacet: layout.tacet,
      turn: round,
    };
    tick += layout.ticks;
    seconds += tempoMs(layout.ticks, passage.tempo) / 1000;
    return passage;
  });
  return {
    passages: shiftChords(passages, ({ use }) => exceptionsAt(outline, use)),
    ticks: tick,
    bars: number - 1,
    seconds,
  };
}

function barsBetween(from: Ticks, to: Ticks, bar: Ticks, first: number): Bar[] {
  const bars: Bar[] = [];
  for (let tick = from; tick < to; tick += bar) {
    bars.push({ number: first + bars.length, tick, ticks: Math.min(bar, to - tick) });
  }
  return bars;
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
