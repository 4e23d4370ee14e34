import { sure } from "../base";
import { moveChord, parseChord } from "../chord";
import { parseKey } from "../pitch";
import { beatsOfTicks, countBeats } from "../rhythm";
import { alignLists, type Pair } from "./align";
import type { Body, Use, VersionBody, VersionRow } from "./body";
import { add, batch, type MakeId, removalOf, set } from "./commands";
import type { Command, SimpleCommand } from "./edit";
import { sameChords, sameLine } from "./exceptions";
import { orderBetween, ordersFor } from "./order";
import { type Outline, type OutlineLine, type OutlineSection, outlineOf } from "./outline";
import { titleKeyOf } from "./shelf-query";
import { versionRow } from "./timeline";

/** What two versions do not share, in words; `take` makes the first as the second there. */
export type Difference = {
  readonly id: string;
  /** "Verse 2", "Key", "Form". */
  readonly where: string;
  readonly words: string;
  readonly take: Command | null;
};

export type LinePair = Pair<OutlineLine, OutlineLine> & { readonly same: boolean; readonly words: string };
export type SectionPair = Pair<OutlineSection, OutlineSection> & { readonly lines: readonly LinePair[] };

export type Comparison = {
  readonly differences: readonly Difference[];
  readonly sections: readonly SectionPair[];
};

/** How a chord is named for who reads: it is kept, and compared, as written. */
export type NameOf = (symbol: string) => string;
const asWritten: NameOf = (symbol) => symbol;

/** A version to be compared, with what is read of it once. */
type Side = {
  readonly body: VersionBody;
  readonly outline: Outline;
  readonly version: VersionRow;
  readonly nameOf: NameOf;
};

const sideOf = (body: VersionBody, nameOf: NameOf): Side => ({
  body,
  outline: outlineOf(body),
  version: versionRow(body),
  nameOf,
});

/** A version with its chords written in another key; what cannot be read stays as it is. */
function writtenIn(body: VersionBody, key: string): VersionBody {
  const version = versionRow(body);
  if (version.writtenKey === key) return body;
  const [from, to] = [sure(parseKey(version.writtenKey)), sure(parseKey(key))];
  const moved = Object.values(body.chords).map((row) => {
    const chord = parseChord(row.symbol);
    return [row.id, { ...row, symbol: chord.ok ? moveChord(chord.value, from, to) : row.symbol }];
  });
  const written = { ...version, writtenKey: key };
  return { ...body, chords: Object.fromEntries(moved), version: { [version.id]: written } };
}

/**
 * Compares two versions: settings, sections line by line, form, players. Chords are compared in the key the first
 * is written in; the key it is performed in is a difference of its own.
 * @param makeId ids for what would be taken over
 * @param nameOf how chords are named in the words
 */
export function compareVersions(
  mine: VersionBody,
  theirs: VersionBody,
  makeId: MakeId,
  nameOf: NameOf = asWritten,
): Comparison {
  const [a, b] = [sideOf(mine, nameOf), sideOf(writtenIn(theirs, versionRow(mine).writtenKey), nameOf)];
  const sections = pairSections(a, b).map((pair) => ({ ...pair, lines: pairLines(pair, a) }));
  return {
    differences: [
      ...settingDifferences(a, b),
      ...sections.flatMap((pair) => sectionDifferences(pair, a, b, makeId)),
      ...formDifferences(a, b, sections),
      ...playerDifferences(a, b),
      ...cellDifferences(a, b, sections),
    ],
    sections,
  };
}

const SETTINGS: readonly {
  where: string;
  fields: readonly (keyof VersionRow)[];
  say: (row: VersionRow) => string;
}[] = [
  { where: "Key", fields: ["key"], say: (row) => row.key },
  { where: "Tempo", fields: ["bpm", "beatUnit"], say: (row) => `${row.bpm} a minute` },
  { where: "Metre", fields: ["meterBeats", "meterUnit"], say: (row) => `${row.meterBeats}/${row.meterUnit}` },
];

function settingDifferences(a: Side, b: Side): Difference[] {
  return SETTINGS.flatMap(({ where, fields, say }) => {
    if (fields.every((field) => a.version[field] === b.version[field])) return [];
    const take = set(
      "version",
      a.version.id,
      Object.fromEntries(fields.map((field) => [field, b.version[field]])),
    );
    return [{ id: where, where, words: `${say(a.version)} here, ${say(b.version)} there`, take }];
  });
}

/** Rows that began as one another, or as the same third one. */
const areKin = (
  a: { readonly id: string; readonly originId: string | null },
  b: { readonly id: string; readonly originId: string | null },
): boolean =>
  a.originId === b.id || b.originId === a.id || (a.originId !== null && a.originId === b.originId);

/**
 * Pairs sections wherever they stand: first those that began as one another, then equal names, then the same kind in
 * turn. What is only there comes after the section it follows there.
 */
function pairSections(a: Side, b: Side): Pair<OutlineSection, OutlineSection>[] {
  const partner = new Map<OutlineSection, OutlineSection>();
  const taken = new Set<OutlineSection>();
  const ways: ((one: OutlineSection, two: OutlineSection) => boolean)[] = [
    (one, two) => areKin(one.section, two.section),
    (one, two) => titleKeyOf(one.section.label) === titleKeyOf(two.section.label),
    (one, two) => one.section.kind === two.section.kind && one.section.kind !== "other",
  ];
  for (const fits of ways) {
    for (const one of a.outline.sections) {
      const two = partner.has(one)
        ? undefined
        : b.outline.sections.find((other) => !taken.has(other) && fits(one, other));
      if (!two) continue;
      partner.set(one, two);
      taken.add(two);
    }
  }
  const pairs: Pair<OutlineSection, OutlineSection>[] = a.outline.sections.map((one) => ({
    a: one,
    b: partner.get(one) ?? null,
  }));
  for (const [index, two] of b.outline.sections.entries()) {
    if (taken.has(two)) continue;
    const before = b.outline.sections[index - 1];
    const at = pairs.findIndex((pair) => pair.b !== null && pair.b === before);
    pairs.splice(at + 1, 0, { a: null, b: two });
  }
  return pairs;
}

/** Lines laid against each other by chords and words. */
function pairLines({ a, b }: Pair<OutlineSection, OutlineSection>, side: Side): LinePair[] {
  return alignLists(a?.lines ?? [], b?.lines ?? [], lineCost, 1).map((pair) => ({
    ...pair,
    same: pair.a !== null && pair.b !== null && sameLine(pair.a, pair.b),
    words:
      pair.a && pair.b
        ? sayLines(pair.a, pair.b, side.version.beatUnit, side.nameOf)
        : pair.a
          ? "only here"
          : "only there",
  }));
}

function lineCost(a: OutlineLine, b: OutlineLine): number {
  if (sameLine(a, b)) return 0;
  const chords = alignLists(
    a.chords,
    b.chords,
    (one, two) => (one.chord.symbol === two.chord.symbol ? 0 : 1.2),
    1,
  );
  const total = Math.max(1, a.chords.length + b.chords.length);
  const apart = chords.filter(
    (pair) => !pair.a || !pair.b || pair.a.chord.symbol !== pair.b.chord.symbol,
  ).length;
  return 0.1 + (0.8 * apart) / total + (a.text === b.text ? 0 : 0.3) + (areKin(a.line, b.line) ? 0 : 0.2);
}

const NUMBERS = [
  "no",
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
  "eleven",
  "twelve",
];
const inWords = (count: number): string => NUMBERS[count] ?? String(count);
const chordsInWords = (count: number, how: string): string =>
  `${inWords(count)} ${how} ${count === 1 ? "chord" : "chords"}`;

/**
 * What the second of two lines has otherwise, in words.
 * @example "two more chords, Am for C"
 */
export function sayLines(
  a: OutlineLine,
  b: OutlineLine,
  beatUnit: string,
  nameOf: NameOf = asWritten,
): string {
  const found = [...sayChords(a, b, beatUnit, nameOf)];
  if (a.text !== b.text) found.push("other words");
  else if (found.length === 0 && !sameLine(a, b)) found.push("chords at other syllables");
  return found.join(", ");
}

function sayChords(a: OutlineLine, b: OutlineLine, beatUnit: string, nameOf: NameOf): string[] {
  const pairs = alignLists(
    a.chords,
    b.chords,
    (one, two) => (one.chord.symbol === two.chord.symbol ? 0 : 1.5),
    1,
  );
  const more = pairs.filter((pair) => !pair.a).length;
  const fewer = pairs.filter((pair) => !pair.b).length;
  const others = pairs.flatMap((pair) =>
    pair.a && pair.b && pair.a.chord.symbol !== pair.b.chord.symbol
      ? [`${nameOf(pair.b.chord.symbol)} for ${nameOf(pair.a.chord.symbol)}`]
      : [],
  );
  const longer = pairs.flatMap((pair) =>
    pair.a &&
    pair.b &&
    pair.a.chord.symbol === pair.b.chord.symbol &&
    pair.a.chord.ticks !== pair.b.chord.ticks
      ? [
          `${nameOf(pair.b.chord.symbol)} ${countBeats(beatsOfTicks(pair.b.chord.ticks, beatUnit))}, not ${countBeats(beatsOfTicks(pair.a.chord.ticks, beatUnit))}`,
        ]
      : [],
  );
  const counts = [
    ...(more > 0 ? [chordsInWords(more, "more")] : []),
    ...(fewer > 0 ? [chordsInWords(fewer, "fewer")] : []),
  ];
  return [...counts, ...others.slice(0, 4), ...longer.slice(0, 3)];
}

function sectionDifferences(pair: SectionPair, a: Side, b: Side, makeId: MakeId): Difference[] {
  const { a: mine, b: theirs } = pair;
  if (mine && !theirs)
    return [
      {
        id: `section ${mine.section.id}`,
        where: mine.section.label,
        words: "this section is only here",
        take: null,
      },
    ];
  if (!mine && theirs) {
    const take = batch(`Take ${theirs.section.label} over`.slice(0, 120), copySection(a, theirs, makeId));
    return [
      {
        id: `section ${theirs.section.id}`,
        where: theirs.section.label,
        words: "this section is only there",
        take,
      },
    ];
  }
  if (!mine || !theirs) return [];
  const label = mine.section.label;
  const found: Difference[] = [];
  if (theirs.section.label !== label)
    found.push({
      id: `label ${mine.section.id}`,
      where: label,
      words: `called ${theirs.section.label} there`,
      take: set("sections", mine.section.id, { label: theirs.section.label }),
    });
  if (theirs.section.pickup !== mine.section.pickup)
    found.push({
      id: `pickup ${mine.section.id}`,
      where: label,
      words: `a pickup of ${countBeats(beatsOfTicks(theirs.section.pickup, b.version.beatUnit))} there`,
      take: set("sections", mine.section.id, { pickup: theirs.section.pickup }),
    });
  for (const [index, line] of pair.lines.entries()) {
    if (line.same) continue;
    const own = line.a ?? line.b!;
    const where = `${label}, line ${(line.a ? mine.lines.indexOf(line.a) : theirs.lines.indexOf(line.b!)) + 1}`;
    found.push({
      id: `line ${own.line.id}`,
      where,
      words: line.words,
      take: batch(`Take a line of ${label} over`.slice(0, 120), takeLine(pair, index, a, makeId)),
    });
  }
  return found;
}

/** Makes one line of mine as it is there: replaced, added or removed. */
function takeLine(pair: SectionPair, index: number, a: Side, makeId: MakeId): SimpleCommand[] {
  const { a: mine, b: theirs } = pair.lines[index]!;
  const before = pair.lines.slice(0, index).findLast((one) => one.a)?.a?.line.order ?? null;
  const after = pair.lines.slice(index + 1).find((one) => one.a)?.a?.line.order ?? null;
  const tables = a.body as unknown as Body;
  if (!theirs) return removalOf(tables, "lines", mine!.line.id);
  if (!mine) {
    const row = { sectionId: pair.a!.section.id, exceptionId: null };
    return newLine(theirs, { ...row, id: makeId(), order: orderBetween(before, after) }, makeId);
  }
  const contents = [
    ...mine.chords.flatMap(({ chord }) => removalOf(tables, "chords", chord.id)),
    ...mine.words.map(({ word }): SimpleCommand => ({ type: "remove", table: "words", id: word.id })),
  ];
  return [...contents, ...lineContents(theirs, mine.line.id, makeId)];
}

function newLine(
  line: OutlineLine,
  row: { id: string; sectionId: string; exceptionId: null; order: string },
  makeId: MakeId,
): SimpleCommand[] {
  return [add("lines", { ...row, originId: line.line.id }), ...lineContents(line, row.id, makeId)];
}

function lineContents(line: OutlineLine, lineId: string, makeId: MakeId): SimpleCommand[] {
  const ids = new Map(line.words.map(({ word }) => [word.id, makeId()]));
  return [
    ...line.words.map(({ word }) =>
      add("words", { ...word, id: ids.get(word.id)!, originId: word.id, lineId }),
    ),
    ...line.chords.map(({ chord }) =>
      add("chords", {
        ...chord,
        id: makeId(),
        originId: chord.id,
        lineId,
        wordId: ids.get(chord.wordId ?? "") ?? null,
        sourceId: null,
      }),
    ),
  ];
}

function copySection(a: Side, theirs: OutlineSection, makeId: MakeId): SimpleCommand[] {
  const id = makeId();
  const last = a.outline.sections.at(-1)?.section.order ?? null;
  const orders = ordersFor(theirs.lines.length);
  return [
    add("sections", { ...theirs.section, id, originId: theirs.section.id, order: orderBetween(last, null) }),
    ...theirs.lines.flatMap((line, index) =>
      newLine(line, { id: makeId(), sectionId: id, exceptionId: null, order: orders[index]! }, makeId),
    ),
  ];
}

/** The same section of the other side, by id. */
const partnerOf = (sections: readonly SectionPair[], id: string): string | null =>
  sections.find((pair) => pair.a?.section.id === id)?.b?.section.id ?? null;

function pairUses(a: Side, b: Side, sections: readonly SectionPair[]): Pair<Use, Use>[] {
  return alignLists(
    a.outline.form,
    b.outline.form,
    (one, two) => (partnerOf(sections, one.sectionId) === two.sectionId ? 0 : 3),
    1,
  );
}

const USE_FIELDS = ["repeat", "vocals", "shift", "bpm", "meterBeats", "meterUnit", "label"] as const;
const USE_WORDS: Readonly<Record<(typeof USE_FIELDS)[number], string>> = {
  repeat: "times",
  vocals: "voice",
  shift: "key shift",
  bpm: "tempo",
  meterBeats: "metre",
  meterUnit: "metre",
  label: "name",
};

function formDifferences(a: Side, b: Side, sections: readonly SectionPair[]): Difference[] {
  return pairUses(a, b, sections).flatMap(({ a: mine, b: theirs }): Difference[] => {
    const labelOf = (side: Side, use: Use) =>
      use.label ?? side.outline.byId.get(use.sectionId)?.section.label ?? "";
    if (mine && theirs) {
      const apart = USE_FIELDS.filter((field) => mine[field] !== theirs[field]);
      const [here, there] = [a, b].map(
        (side, at) => side.outline.exceptions.get((at === 0 ? mine : theirs).id)?.length ?? 0,
      );
      const words = [
        ...new Set(apart.map((field) => `other ${USE_WORDS[field]}`)),
        ...(here !== there ? [`${inWords(there!)} exceptions there, ${inWords(here!)} here`] : []),
      ];
      if (words.length === 0) return [];
      const take =
        apart.length === 0
          ? null
          : set("uses", mine.id, Object.fromEntries(apart.map((field) => [field, theirs[field]])));
      return [{ id: `use ${mine.id}`, where: `Form, ${labelOf(a, mine)}`, words: words.join(", "), take }];
    }
    if (mine) {
      const take = batch(
        "Take a section out of the form",
        removalOf(a.body as unknown as Body, "uses", mine.id),
      );
      return [
        { id: `use ${mine.id}`, where: "Form", words: `${labelOf(a, mine)} is played here, not there`, take },
      ];
    }
    return [
      {
        id: `use ${theirs!.id}`,
        where: "Form",
        words: `${labelOf(b, theirs!)} is played there, not here`,
        take: null,
      },
    ];
  });
}

function playerDifferences(a: Side, b: Side): Difference[] {
  const [mine, theirs] = [Object.values(a.body.players), Object.values(b.body.players)];
  const partner = (name: string) => theirs.find((one) => one.name === name);
  const changed = mine.flatMap((player): Difference[] => {
    const other = partner(player.name);
    if (!other)
      return [
        { id: `player ${player.id}`, where: "Players", words: `${player.name} plays only here`, take: null },
      ];
    const fields = (["capo", "tuning", "level", "light", "role"] as const).filter(
      (field) => JSON.stringify(player[field]) !== JSON.stringify(other[field]),
    );
    if (fields.length === 0) return [];
    const words = fields
      .map((field) => `${field} ${Array.isArray(other[field]) ? other[field].join(" ") : other[field]} there`)
      .join(", ");
    const take = set("players", player.id, Object.fromEntries(fields.map((field) => [field, other[field]])));
    return [{ id: `player ${player.id}`, where: player.name, words, take }];
  });
  const missing = theirs
    .filter((player) => !mine.some((one) => one.name === player.name))
    .map((player) => ({
      id: `player ${player.id}`,
      where: "Players",
      words: `${player.name} plays only there`,
      take: null,
    }));
  return [...changed, ...missing];
}

const CELL_FIELDS = ["light", "role", "style", "capo", "note"] as const;

/** Parts, where both versions have the player and the use. */
function cellDifferences(a: Side, b: Side, sections: readonly SectionPair[]): Difference[] {
  return pairUses(a, b, sections).flatMap(({ a: mine, b: theirs }) => {
    if (!mine || !theirs) return [];
    return Object.values(a.body.players).flatMap((player): Difference[] => {
      const other = Object.values(b.body.players).find((one) => one.name === player.name);
      const cell = (side: Side, useId: string, playerId: string) =>
        Object.values(side.body.cells).find((one) => one.useId === useId && one.playerId === playerId);
      const [own, there] = [cell(a, mine.id, player.id), other && cell(b, theirs.id, other.id)];
      const fields = CELL_FIELDS.filter((field) => (own?.[field] ?? null) !== (there?.[field] ?? null));
      if (!other || fields.length === 0) return [];
      const label = mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? "";
      const words = fields.map((field) => `${field} ${there?.[field] ?? "as inherited"} there`).join(", ");
      const values = Object.fromEntries(fields.map((field) => [field, there?.[field] ?? null]));
      const take = own ? set("cells", own.id, values) : null;
      return [{ id: `cell ${mine.id} ${player.id}`, where: `${player.name} in ${label}`, words, take }];
    });
  });
}

/** A section told as an earlier one of its kind with what differs. */
export type Likeness = {
  readonly like: string;
  readonly label: string;
  readonly differences: readonly string[];
};

/**
 * Sections that go like an earlier one of their kind: verse 2 is verse 1, but for what is named. Words are left out:
 * they are expected to differ.
 */
export function likenesses(
  outline: Outline,
  beatUnit: string,
  nameOf: NameOf = asWritten,
): ReadonlyMap<string, Likeness> {
  const found = new Map<string, Likeness>();
  for (const [index, section] of outline.sections.entries()) {
    const earlier = outline.sections
      .slice(0, index)
      .find(
        (one) =>
          one.section.kind === section.section.kind &&
          one.section.kind !== "other" &&
          !found.has(one.section.id),
      );
    if (!earlier || section.lines.length === 0) continue;
    const pairs = alignLists(
      earlier.lines,
      section.lines,
      (a, b) => (sameChords(a, b) ? 0 : 0.6 + 0.8 * (1 - shared(a, b))),
      1,
    );
    const same = pairs.filter((pair) => pair.a && pair.b && sameChords(pair.a, pair.b)).length;
    if (same * 2 < Math.max(earlier.lines.length, section.lines.length)) continue;
    const differences = pairs.flatMap((pair) => {
      if (pair.a && pair.b) {
        const words = sayChords(pair.a, pair.b, beatUnit, nameOf);
        return words.length === 0 ? [] : [`line ${section.lines.indexOf(pair.b) + 1}: ${words.join(", ")}`];
      }
      return pair.b
        ? [`line ${section.lines.indexOf(pair.b) + 1} is extra`]
        : [`without line ${earlier.lines.indexOf(pair.a!) + 1} of it`];
    });
    found.set(section.section.id, { like: earlier.section.id, label: earlier.section.label, differences });
  }
  return found;
}

/** How much of two lines' chords is shared, 0 to 1. */
function shared(a: OutlineLine, b: OutlineLine): number {
  const pairs = alignLists(
    a.chords,
    b.chords,
    (one, two) => (one.chord.symbol === two.chord.symbol ? 0 : 2),
    1,
  );
  const both = pairs.filter((pair) => pair.a && pair.b).length;
  return pairs.length === 0 ? 1 : both / pairs.length;
}
