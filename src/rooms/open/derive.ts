import { type SongLoops, songLoops } from "@/core/loops";
import {
  type BandSheet,
  bandSheet,
  type Finding,
  findingsOf,
  type PlanRequest,
  planRequest,
} from "@/core/parts";
import type { BarSum } from "@/core/rhythm";
import { differencesFrom, likenesses } from "@/core/song/compare";
import {
  type CellIndex,
  indexCells,
  Namer,
  type Notes,
  notesOf,
  type Outline,
  type OutlineSection,
  outlineOf,
  sayException,
  sayUse,
  sectionSum,
  sectionSums,
  type Timeline,
  timelineOf,
  versionRow,
} from "@/core/song/read";
import type { BandBody, Cell, Player, Section, Use, VersionBody, VersionRow } from "@/core/song/schema";
import { type SongTones, songTones } from "@/core/tones";
import { pretty } from "@/ui/pretty";

/** Remembers the last result by the tables it was computed from; what has not changed keeps its identity. */
function byTables<Value>(
  tables: readonly (keyof VersionBody)[],
  compute: (body: VersionBody, last: Value | null) => Value,
): (body: VersionBody) => Value {
  let last: { readonly seen: readonly unknown[]; readonly value: Value } | null = null;
  return (body) => {
    if (last?.seen.every((table, index) => table === body[tables[index]!])) return last.value;
    const value = compute(body, last?.value ?? null);
    last = { seen: tables.map((table) => body[table]), value };
    return value;
  };
}

const SONG = ["sections", "lines", "words", "chords", "uses", "exceptions"] as const;

/** Whether two sections hold the very same rows. */
const sameSection = (a: OutlineSection, b: OutlineSection): boolean =>
  a.section === b.section &&
  a.lines.length === b.lines.length &&
  a.lines.every((line, index) => {
    const other = b.lines[index]!;
    return (
      line.line === other.line &&
      line.words.length === other.words.length &&
      line.chords.length === other.chords.length &&
      line.words.every(({ word }, at) => word === other.words[at]!.word) &&
      line.chords.every(({ chord }, at) => chord === other.chords[at]!.chord)
    );
  });

/** Sections in order; one that an edit has not touched stays the same object, so that its card need not be drawn again. */
export const outline: (body: VersionBody) => Outline = byTables(SONG, (body, last) => {
  const fresh = outlineOf(body);
  const sections = fresh.sections.map((section) => {
    const before = last?.byId.get(section.section.id);
    return before && sameSection(before, section) ? before : section;
  });
  return { ...fresh, sections, byId: new Map(sections.map((section) => [section.section.id, section])) };
});

export const timeline: (body: VersionBody) => Timeline = byTables([...SONG, "version"], (body) =>
  timelineOf(body, outline(body)),
);

const knownSums = new WeakMap<
  OutlineSection,
  { readonly next: OutlineSection | undefined; readonly bar: number; readonly sum: BarSum }
>();

const rememberedSum: typeof sectionSum = (section, next, bar) => {
  const known = knownSums.get(section);
  if (known?.next === next && known?.bar === bar) return known.sum;
  const sum = sectionSum(section, next, bar);
  knownSums.set(section, { next, bar, sum });
  return sum;
};

export const sums: (body: VersionBody) => ReadonlyMap<string, BarSum> = byTables(
  [...SONG, "version"],
  (body) => sectionSums(body, outline(body), rememberedSum),
);

/** What every hand's way through a song depends on, besides a player's own rows: everything but the words. */
const PLAYED = ["sections", "lines", "chords", "uses", "exceptions", "version"] as const;

type KnownPlan = { readonly seen: readonly unknown[]; readonly request: PlanRequest; readonly said: string };
const plans = new Map<string, KnownPlan>();

/** A player's own rows of a table. */
function rowsOf<Row extends { readonly playerId: string }>(
  rows: Readonly<Record<string, Row>>,
  id: string,
): Row[] {
  return Object.values(rows).filter((row) => row.playerId === id);
}

const hands = new WeakMap<Cell, string>();

/** What of a cell a hand's way depends on: whether it plays, and how; not how bright. */
function handOfCell(cell: Cell): string {
  const { useId, light, role, style, strings, capo, technique } = cell;
  const said =
    hands.get(cell) ??
    JSON.stringify([
      useId,
      light === null ? null : light > 0,
      role === "out",
      role === null,
      style,
      strings,
      capo,
      technique,
    ]);
  hands.set(cell, said);
  return said;
}

/** What a player's hand does through the song, the same object while nothing of it has changed. */
export function planOf(body: VersionBody, player: Player): PlanRequest {
  const own = body.players[player.id] ?? player;
  const seen: readonly unknown[] = [
    ...PLAYED.map((table) => body[table]),
    own,
    ...rowsOf(body.cells, player.id).map(handOfCell),
    null,
    ...rowsOf(body.choices, player.id),
  ];
  const known = plans.get(player.id);
  if (known?.seen.length === seen.length && known.seen.every((one, at) => one === seen[at]))
    return known.request;
  const fresh = planRequest(body, own, outline(body), timeline(body), cellIndex(body));
  const said = JSON.stringify(fresh);
  const request = known?.said === said ? known.request : fresh;
  plans.set(player.id, { seen, request, said });
  return request;
}

export const cellIndex: (body: VersionBody) => CellIndex = byTables([...SONG, "cells"], (body) =>
  indexCells(body, outline(body)),
);

const PARTS = [...SONG, "version", "players", "cells", "strums", "riffs", "riffNotes"] as const;

/** The whole sheet; a row that an edit has not touched stays the same object. */
export const sheet: (body: VersionBody) => BandSheet = byTables(PARTS, (body, last) =>
  bandSheet(body, outline(body), timeline(body), cellIndex(body), last),
);

/** What the sheet alone shows to be wrong, let-stand findings left out: the lantern of the Parts room. */
export const openFindings: (body: VersionBody) => readonly Finding[] = byTables(
  [...PARTS, "dismissals"],
  (body) => {
    const stand = new Set(Object.values(body.dismissals).map((one) => one.finding));
    return findingsOf(sheet(body), new Map(), 60000 / versionRow(body).bpm).filter(
      (one) => !stand.has(one.id),
    );
  },
);

const LOOPS = [...SONG, "version", "players", "cells", "loopBoxes", "loopLayers", "loopWants"] as const;

const loopsByHabits = new WeakMap<object, (body: VersionBody) => SongLoops>();
const NO_HABITS = Object.freeze({});

/** The version as the looper sees it, with the band's habits. */
export function loops(body: VersionBody, band: BandBody | null): SongLoops {
  const habits = band?.loopHabits ?? NO_HABITS;
  const read =
    loopsByHabits.get(habits) ??
    byTables<SongLoops>(LOOPS, (one) => songLoops(one, outline(one), timeline(one), Object.values(habits)));
  loopsByHabits.set(habits, read);
  return read(body);
}

const TONES = [...PARTS, "sounds", "soundMoves", "soundBoxes", "slotPins"] as const;
const tonesByPlayer = new Map<string, (body: VersionBody) => SongTones>();

/** The version as one player's box of sounds sees it; what is asked of the planner stays the same object while it says the same. */
export function tones(body: VersionBody, player: Player): SongTones {
  const read =
    tonesByPlayer.get(player.id) ??
    byTables<SongTones>(TONES, (one, last) => {
      const fresh = songTones(one, sheet(one), timeline(one), one.players[player.id] ?? player);
      const isSame = last !== null && JSON.stringify(last.asked) === JSON.stringify(fresh.asked);
      return isSame ? { ...fresh, asked: last.asked } : fresh;
    });
  tonesByPlayer.set(player.id, read);
  return read(body);
}

/** What the sheet said beside words and chords; a section's notes stay the same object while nothing in it changes. */
export const notes: (body: VersionBody) => Notes = byTables(["extras"], (body, last) => {
  const fresh = notesOf(body);
  const kept = [...fresh].map(([section, own]) => {
    const before = last?.get(section);
    return [
      section,
      before && JSON.stringify([...before]) === JSON.stringify([...own]) ? before : own,
    ] as const;
  });
  return new Map(kept);
});

/** A place in the form as its list shows it. */
export type FormRow = {
  readonly use: Use;
  readonly section: Section;
  readonly bars: number;
  /** What is otherwise here, in words. */
  readonly otherwise: string;
};

/** The form's rows; the same list as before when nothing in it has changed. */
export const formRows: (body: VersionBody) => readonly FormRow[] = byTables(
  [...SONG, "version"],
  (body, last) => {
    const bars = new Map<string, number>();
    for (const passage of timeline(body).passages)
      bars.set(passage.use.id, (bars.get(passage.use.id) ?? 0) + passage.bars.length);
    const read = outline(body);
    const version = versionRow(body);
    const rows = read.form.flatMap((use): FormRow[] => {
      const section = read.byId.get(use.sectionId)?.section;
      const exceptions = read.exceptions.get(use.id) ?? [];
      const namer = use.shift === 0 ? sounding(version) : new Namer(body, null, use.shift);
      const said = exceptions.map((one) =>
        sayException(one, use, read, version, (symbol) => pretty(namer.name(symbol).sounding)),
      );
      const otherwise = [...sayUse(use), ...said].join("; ");
      return section ? [{ use, section, bars: bars.get(use.id) ?? 0, otherwise }] : [];
    });
    const same = (row: FormRow, index: number) => {
      const before = last?.[index];
      return (
        before?.use === row.use &&
        before.section === row.section &&
        before.bars === row.bars &&
        before.otherwise === row.otherwise
      );
    };
    return last && last.length === rows.length && rows.every(same) ? last : rows;
  },
);

const knownNamers = new WeakMap<VersionRow, Namer>();

const knownChords = new WeakMap<OutlineSection, string>();

/** The chords of a section with their lengths, line by line, as one text. */
function chordsOf(section: OutlineSection): string {
  const known = knownChords.get(section);
  if (known !== undefined) return known;
  const lines = section.lines.map((line) =>
    line.chords.map(({ chord }) => `${chord.symbol} ${chord.ticks}`).join("|"),
  );
  knownChords.set(section, lines.join("\n"));
  return lines.join("\n");
}

const MOST_REMEMBERED = 2000;
const knownDifferences = new Map<string, readonly string[] | null>();

/** {@link differencesFrom}, remembered by the chords of both: words typed change nothing of it. */
function rememberedDifferences(
  earlier: OutlineSection,
  section: OutlineSection,
  version: VersionRow,
): readonly string[] | null {
  const { key, writtenKey, beatUnit } = version;
  const question = [key, writtenKey, beatUnit, chordsOf(earlier), chordsOf(section)].join("\n\n");
  const known = knownDifferences.get(question);
  if (known !== undefined) return known;
  if (knownDifferences.size >= MOST_REMEMBERED) knownDifferences.clear();
  const namer = sounding(version);
  const found = differencesFrom(earlier, section, beatUnit, (symbol) => pretty(namer.name(symbol).sounding));
  knownDifferences.set(question, found);
  return found;
}

/** Sections told as an earlier one of their kind; said as before, it is the same object. */
export const alike: (body: VersionBody) => ReturnType<typeof likenesses> = byTables(
  [...SONG, "version"],
  (body, last) => {
    const version = versionRow(body);
    const fresh = likenesses(outline(body), (a, b) => rememberedDifferences(a, b, version));
    return new Map(
      [...fresh].map(([id, likeness]) => {
        const before = last?.get(id);
        const same =
          before?.like === likeness.like &&
          before.label === likeness.label &&
          before.differences === likeness.differences;
        return [id, same ? before : likeness];
      }),
    );
  },
);

/** What a version's written chords sound like in its performing key, each symbol read once. */
export function sounding(version: VersionRow): Namer {
  const namer = knownNamers.get(version) ?? new Namer({ version: { [version.id]: version } }, null);
  knownNamers.set(version, namer);
  return namer;
}
