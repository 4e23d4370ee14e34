import type { Ticks } from "../base";
import { type BarSum, type Meter, sumBars, ticksOfBar } from "../rhythm";
import type { Section, Use, VersionBody } from "./body";
import { type Outline, type OutlineLine, type OutlineSection, outlineOf } from "./outline";

export type Bar = { readonly number: number; readonly tick: Ticks; readonly ticks: Ticks };

export type TimedLine = {
  readonly outline: OutlineLine;
  readonly tick: Ticks;
  /** Absolute ticks of the line's chords and words, in their order. */
  readonly chordTicks: readonly Ticks[];
  readonly wordTicks: readonly Ticks[];
};

/** One time through a section: a use with repeats gives several. */
export type Passage = {
  readonly use: Use;
  readonly round: number;
  readonly section: Section;
  readonly lines: readonly TimedLine[];
  readonly bars: readonly Bar[];
  readonly tick: Ticks;
  readonly ticks: Ticks;
};

/** The form played out: every bar, chord and word with its absolute tick. */
export type Timeline = {
  readonly passages: readonly Passage[];
  readonly ticks: Ticks;
  readonly bars: number;
  readonly bar: Ticks;
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

/**
 * Expands the form. Bars are counted through the song from 1; a pickup belongs to the bar before it, and
 * at the very start to a bar 0.
 */
export function timelineOf(body: VersionBody, outline: Outline = outlineOf(body)): Timeline {
  const bar = ticksOfBar(meterOf(body));
  const plays = outline.form.flatMap((use) => {
    const section = outline.byId.get(use.sectionId);
    return section ? Array.from({ length: use.repeat }, (_, round) => ({ use, round, section })) : [];
  });
  const layouts = new Map<string, SectionLayout>();
  let tick = 0;
  let number = 1;
  const passages = plays.map(({ use, round, section }, index): Passage => {
    const layout = layouts.get(section.section.id) ?? layOut(section);
    layouts.set(section.section.id, layout);
    const next = plays[index + 1]?.section;
    const head = section.section.pickup;
    const bars = barsBetween(tick + head, tick + section.ticks + (next?.section.pickup ?? 0), bar, number);
    if (index === 0 && head > 0) bars.unshift({ number: 0, tick: 0, ticks: head });
    number = (bars.at(-1)?.number ?? number - 1) + 1;
    const passage = {
      use,
      round,
      section: section.section,
      lines: shift(layout, tick),
      bars,
      tick,
      ticks: section.ticks,
    };
    tick += section.ticks;
    return passage;
  });
  return { passages, ticks: tick, bars: number - 1, bar };
}

function barsBetween(from: Ticks, to: Ticks, bar: Ticks, first: number): Bar[] {
  const bars: Bar[] = [];
  for (let tick = from; tick < to; tick += bar) {
    bars.push({ number: first + bars.length, tick, ticks: Math.min(bar, to - tick) });
  }
  return bars;
}

/** A section's lines with ticks counted from its own start. */
type SectionLayout = readonly TimedLine[];

function layOut(section: OutlineSection): SectionLayout {
  let tick = 0;
  return section.lines.map((outline) => {
    const start = tick;
    const chordTicks = outline.chords.map(({ chord }) => {
      const at = tick;
      tick += chord.ticks;
      return at;
    });
    return { outline, tick: start, chordTicks, wordTicks: wordTicks(outline, chordTicks, start) };
  });
}

/** Words between two chords share the first one's time by their place in the text. */
function wordTicks(line: OutlineLine, chordTicks: readonly Ticks[], start: Ticks): Ticks[] {
  return line.words.map(({ at }) => {
    const index = line.chords.findLastIndex((chord) => chord.at <= at);
    if (index < 0) return start;
    const { chord, at: from } = line.chords[index]!;
    const to = line.chords[index + 1]?.at ?? Math.max(line.text.length, from + 1);
    const share = to > from ? (at - from) / (to - from) : 0;
    return chordTicks[index]! + Math.round(chord.ticks * Math.min(1, share));
  });
}

const shift = (layout: SectionLayout, by: Ticks): TimedLine[] =>
  layout.map((line) => ({
    outline: line.outline,
    tick: line.tick + by,
    chordTicks: line.chordTicks.map((tick) => tick + by),
    wordTicks: line.wordTicks.map((tick) => tick + by),
  }));

/** How one section's bars add up, judged against the section that follows it. */
export function sectionSum(section: OutlineSection, next: OutlineSection | undefined, bar: Ticks): BarSum {
  const own = { pickup: section.section.pickup, lines: section.lines.map(timedChords) };
  const after = next ? [{ pickup: next.section.pickup, lines: next.lines.map(timedChords) }] : [];
  return sumBars([own, ...after], bar)[0]!;
}

/** The section that follows each one the first time it is used; none for the last, or one not in the form. */
export function nextSections(outline: Outline): ReadonlyMap<string, OutlineSection | undefined> {
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
