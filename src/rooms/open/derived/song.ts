import { groupBy } from "@/base";
import type { BarSum } from "@/core/rhythm";
import { differencesFrom, differsIn, likenesses, tellDiffers } from "@/core/song/compare";
import type { Namer } from "@/core/song/names";
import {
  type CellIndex,
  describeException,
  describeUse,
  indexCells,
  type Notes,
  notesOf,
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
  outlineOf,
  placeNames,
  sectionSum,
  sectionSums,
  sketchOf,
  type TimedLine,
  type Timeline,
  timelineOf,
  versionRow,
} from "@/core/song/read";
import type { Section, Use, VersionBody, VersionRow } from "@/core/song/schema";
import { remembered } from "./remembered";
import { SONG, SOUNDING, tablesIn } from "./tables";

/** Who names the chords of a place, by the key shift of its use. */
type NamerAt = (whose: null, shift: number) => Pick<Namer, "chord" | "keyName">;

/** A place in the form as its list shows it. */
export type FormRow = {
  readonly use: Use;
  readonly section: Section;
  /** What the place is called. */
  readonly label: string;
  readonly bars: number;
  /** What is otherwise here, in words. */
  readonly otherwise: string;
};

/** A section with what it says of all its times, and as it is played every time. */
export type Sketch = {
  readonly section: OutlineSection;
  readonly shared: readonly OutlineException[];
  readonly lines: readonly TimedLine[];
};

/** Whether an exception must be said: other chords are told together, other words are how verses are. */
const isUnsaid = ({ exception: { kind } }: OutlineException): boolean =>
  kind !== "chord" && kind !== "chords" && kind !== "words";

/** Whether some lines hold the very same rows. */
const sameLines = (a: readonly OutlineLine[], b: readonly OutlineLine[]): boolean =>
  a.length === b.length &&
  a.every((line, index) => {
    const other = b[index]!;
    return (
      line.line === other.line &&
      line.words.length === other.words.length &&
      line.chords.length === other.chords.length &&
      line.words.every(({ word }, at) => word === other.words[at]!.word) &&
      line.chords.every(({ chord }, at) => chord === other.chords[at]!.chord)
    );
  });

/** Whether two sections hold the very same rows. */
const sameSection = (a: OutlineSection, b: OutlineSection): boolean =>
  a.section === b.section && sameLines(a.lines, b.lines);

const sameShared = (a: readonly OutlineException[], b: readonly OutlineException[]): boolean =>
  a.length === b.length &&
  a.every((one, at) => one.exception === b[at]!.exception && sameLines(one.lines, b[at]!.lines));

/** A fresh outline in which sections that hold the same rows as before stay the same objects. */
function keepSections(last: Outline | null, fresh: Outline): Outline {
  const sections = fresh.sections.map((section) => {
    const before = last?.byId.get(section.section.id);
    return before && sameSection(before, section) ? before : section;
  });
  return { ...fresh, sections, byId: new Map(sections.map((section) => [section.section.id, section])) };
}

/** A fresh map in which values that say the same as before stay the same objects. */
function keepEach<Key, Value>(
  last: ReadonlyMap<Key, Value> | null,
  fresh: ReadonlyMap<Key, Value>,
  isSame: (before: Value, value: Value) => boolean,
): ReadonlyMap<Key, Value> {
  return new Map(
    [...fresh].map(([key, value]) => {
      const before = last?.get(key);
      return [key, before !== undefined && isSame(before, value) ? before : value] as const;
    }),
  );
}

const sameRow = (a: FormRow, b: FormRow): boolean =>
  a.use === b.use &&
  a.section === b.section &&
  a.label === b.label &&
  a.bars === b.bars &&
  a.otherwise === b.otherwise;

/** What a song says: its outline, time, sums of bars, form in words. */
export function songDerived() {
  /** Sections in order; one that an edit has not touched stays the same object, so that its card need not be drawn again. */
  const outline = remembered<[VersionBody], Outline>({
    from: (body) => tablesIn(body, SONG),
    make: (last, body) => keepSections(last, outlineOf(body)),
  });

  const timeline = remembered<[VersionBody], Timeline>({
    from: (body) => tablesIn(body, SOUNDING),
    make: (_, body) => timelineOf(body, outline(body)),
  });

  /** Each section as it is played every time; the same object while it and what it says stay the same. */
  const sketches = remembered<[VersionBody], ReadonlyMap<string, Sketch>>({
    from: (body) => tablesIn(body, SONG),
    make: (last, body) => {
      const { sections, ofSections } = outline(body);
      return new Map(
        sections.map((section) => {
          const shared = ofSections.get(section.section.id) ?? [];
          const before = last?.get(section.section.id);
          const isSame = before?.section === section && sameShared(before.shared, shared);
          return [
            section.section.id,
            isSame ? before : { section, shared, lines: sketchOf(section, shared) },
          ] as const;
        }),
      );
    },
  });

  const sumOf = remembered<Parameters<typeof sectionSum>, BarSum>({
    key: (section) => section,
    from: (_, next, bar) => [next, bar],
    make: (_, ...asked) => sectionSum(...asked),
  });

  const sums = remembered<[VersionBody], ReadonlyMap<string, BarSum>>({
    from: (body) => tablesIn(body, SOUNDING),
    make: (_, body) => sectionSums(body, outline(body), sumOf),
  });

  const cellIndex = remembered<[VersionBody], CellIndex>({
    from: (body) => tablesIn(body, [...SOUNDING, "cells", "entrances"]),
    make: (_, body) => indexCells(body, outline(body), () => timeline(body)),
  });

  /** What the sheet said beside words and chords; a section's notes stay the same object while nothing in it changes. */
  const notes = remembered<[VersionBody], Notes>({
    from: (body) => [body.extras],
    make: (last, body) =>
      keepEach(last, notesOf(body), (a, b) => JSON.stringify([...a]) === JSON.stringify([...b])),
  });

  /** The chords of a section with their lengths, line by line, as one text. */
  const chordsOf = remembered<[OutlineSection], string>({
    key: (section) => section,
    from: () => [],
    make: (_, section) =>
      section.lines
        .map((line) => line.chords.map(({ chord }) => `${chord.symbol} ${chord.ticks}`).join("|"))
        .join("\n"),
  });

  /** {@link differencesFrom}, by the chords of both: words typed change nothing of it. */
  const differences = remembered<
    [OutlineSection, OutlineSection, VersionRow, NamerAt],
    readonly string[] | null
  >({
    key: (earlier, section, { key, writtenKey, beatUnit }) =>
      [key, writtenKey, beatUnit, chordsOf(earlier), chordsOf(section)].join("\n\n"),
    from: (_, __, ___, names) => [names],
    make: (_, earlier, section, version, names) =>
      differencesFrom(earlier, section, version.beatUnit, (symbol) => names(null, 0).chord(symbol)),
  });

  /** Sections told as an earlier one of their kind; said as before, it is the same object. */
  const alike = remembered<[VersionBody, NamerAt], ReturnType<typeof likenesses>>({
    from: (body, names) => [...tablesIn(body, SOUNDING), names],
    make: (last, body, names) => {
      const version = versionRow(body);
      const fresh = likenesses(outline(body), (a, b) => differences(a, b, version, names));
      return keepEach(
        last,
        fresh,
        (a, b) => a.like === b.like && a.label === b.label && a.differences === b.differences,
      );
    },
  });

  /** The form's rows; the same list as before when nothing in it has changed. */
  const formRows = remembered<[VersionBody, NamerAt], readonly FormRow[]>({
    from: (body, names) => [...tablesIn(body, SOUNDING), names],
    make: (last, body, names) => {
      const read = outline(body);
      const version = versionRow(body);
      const labels = placeNames(read);
      const song = timeline(body);
      const differs = differsIn(song, read, version.beatUnit, alike(body, names));
      const passagesOf = groupBy(song.passages, ({ use }) => use.id);
      const rows = read.form.flatMap((use): FormRow[] => {
        const section = read.byId.get(use.sectionId)?.section;
        const exceptions = read.exceptions.get(use.id) ?? [];
        const played = passagesOf.get(use.id) ?? [];
        const namer = names(null, use.shift);
        const nameOf = (symbol: string): string => namer.chord(symbol);
        const said = exceptions
          .filter(isUnsaid)
          .map((one) => describeException(one, use, read, version, nameOf));
        const other = played.flatMap((one) => differs.get(one) ?? [])[0];
        const differing = other ? [tellDiffers(other, nameOf)] : [];
        const otherwise = [...describeUse(use, namer.keyName()), ...differing, ...said].join("; ");
        const label = labels.get(use.id) ?? "";
        const bars = played.reduce((sum, passage) => sum + passage.bars.length, 0);
        return section ? [{ use, section, label, bars, otherwise }] : [];
      });
      return last && last.length === rows.length && rows.every((row, at) => sameRow(row, last[at]!))
        ? last
        : rows;
    },
  });

  return { outline, sketches, timeline, sums, cellIndex, notes, formRows, alike };
}

export type SongDerived = ReturnType<typeof songDerived>;
