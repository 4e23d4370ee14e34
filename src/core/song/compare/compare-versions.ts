import { unwrap } from "../../../base";
import {
  alignLists,
  differingFields,
  type MakeId,
  orderBetween,
  ordersFor,
  type Pair,
  pairRows,
} from "../../../document";
import { moveChord, parseChord } from "../../chord";
import { parseKey } from "../../pitch";
import { beatsOfTicks, countBeats } from "../../rhythm";
import { removalIn } from "../edit/commands";
import { copyContents } from "../edit/copy-rows";
import type { VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import { sameLine } from "../edit/same-lines";
import type { OutlineLine, OutlineSection } from "../read/outline";
import { titleKeyOf } from "../read/shelf-query";
import { versionRow } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { DOCUMENTS } from "../schema/documents";
import type { VersionRow } from "../schema/version";
import { cellDifferences } from "./compare-cells";
import { cueDifferences } from "./compare-cues";
import { formDifferences, pairUses, sharedDifferences } from "./compare-form";
import { loopDifferences } from "./compare-loops";
import { playerDifferences } from "./compare-players";
import { soundDifferences } from "./compare-sounds";
import { describeLines } from "./describe-lines";
import {
  areKin,
  asWritten,
  type Comparison,
  type Difference,
  type LinePair,
  type NameOf,
  type SectionPair,
  type Side,
  sideOf,
} from "./side";

/**
 * A version as another can take it over: its chords written in the other's key (what cannot be read stays as it is),
 * and naming no source, as sources belong to their version.
 */
function asTaken(body: VersionBody, key: string): VersionBody {
  const version = versionRow(body);
  const [from, to] = [unwrap(parseKey(version.writtenKey)), unwrap(parseKey(key))];
  const written = (symbol: string): string => {
    const chord = version.writtenKey === key ? null : parseChord(symbol);
    return chord?.ok ? moveChord(chord.value, from, to) : symbol;
  };
  const moved = Object.values(body.chords).map((row) => [
    row.id,
    { ...row, symbol: written(row.symbol), sourceId: null },
  ]);
  const instead = Object.values(body.exceptions).map((row) => [
    row.id,
    { ...row, symbol: row.symbol && written(row.symbol) },
  ]);
  const layers = Object.values(body.loopLayers).map((row) => [
    row.id,
    { ...row, chords: row.chords.map((chord) => ({ ...chord, symbol: written(chord.symbol) })) },
  ]);
  return {
    ...body,
    chords: Object.fromEntries(moved),
    exceptions: Object.fromEntries(instead),
    loopLayers: Object.fromEntries(layers),
    version: { [version.id]: { ...version, writtenKey: key } },
  };
}

/**
 * Compares two versions: settings, sections line by line, form, players, loops, sounds, cues. Chords are compared in the key the first
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
  const [a, b] = [sideOf(mine, nameOf), sideOf(asTaken(theirs, versionRow(mine).writtenKey), nameOf)];
  const sections = pairSections(a, b).map((pair) => ({ ...pair, lines: pairLines(pair, a) }));
  const uses = pairUses(a, b, sections);
  return {
    differences: [
      ...settingDifferences(a, b),
      ...sections.flatMap((pair) => sectionDifferences(pair, a, b, makeId)),
      ...sharedDifferences(a, b, sections, makeId),
      ...formDifferences(a, b, sections, uses, makeId),
      ...playerDifferences(a, b, makeId),
      ...cellDifferences(a, b, uses, makeId),
      ...loopDifferences(a, b, uses, makeId),
      ...soundDifferences(a, b, makeId),
      ...cueDifferences(a, b, uses, makeId),
    ],
    sections,
    theirs: b.body,
  };
}

/** How a setting is told; its fields are those that its table compares under one word. */
const SAY_SETTING: Readonly<Record<string, (row: VersionRow) => string>> = {
  Key: (row) => row.key,
  Tempo: (row) => `${row.bpm} a minute`,
  Metre: (row) => `${row.meterBeats}/${row.meterUnit}`,
};

function settingDifferences(a: Side, b: Side): Difference[] {
  const differing = Object.entries(differingFields(DOCUMENTS.version, "version", a.version, b.version, {}));
  const { compared } = DOCUMENTS.version.tables.version;
  return Object.entries(SAY_SETTING).flatMap(([where, say]) => {
    const fields = differing.filter(([field]) => compared[field] === where);
    if (fields.length === 0) return [];
    const take = set("version", a.version.id, Object.fromEntries(fields));
    return [{ id: where, where, words: `${say(a.version)} here, ${say(b.version)} there`, take }];
  });
}

/**
 * Pairs sections wherever they stand: first those that began as one another, then equal names, then the same kind in
 * turn. What is only there comes after the section it follows there.
 */
function pairSections(a: Side, b: Side): Pair<OutlineSection, OutlineSection>[] {
  const all = pairRows(a.outline.sections, b.outline.sections, [
    (one, two) => areKin(one.section, two.section),
    (one, two) => titleKeyOf(one.section.label) === titleKeyOf(two.section.label),
    (one, two) => one.section.kind === two.section.kind && one.section.kind !== "other",
  ]);
  const pairs = all.filter((pair) => pair.a !== null);
  for (const { b: two } of all.filter((pair) => pair.a === null)) {
    const before = b.outline.sections[b.outline.sections.indexOf(two!) - 1];
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
        ? describeLines(pair.a, pair.b, side.version.beatUnit, side.nameOf)
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
function takeLine(pair: SectionPair, index: number, a: Side, makeId: MakeId): VersionStep[] {
  const { a: mine, b: theirs } = pair.lines[index]!;
  const before = pair.lines.slice(0, index).findLast((one) => one.a)?.a?.line.order ?? null;
  const after = pair.lines.slice(index + 1).find((one) => one.a)?.a?.line.order ?? null;
  if (!theirs) return removalIn(a.body, "lines", mine!.line.id);
  if (!mine) {
    const row = { sectionId: pair.a!.section.id, exceptionId: null };
    return newLine(theirs, { ...row, id: makeId(), order: orderBetween(before, after) }, makeId);
  }
  const contents = [
    ...mine.chords.flatMap(({ chord }) => removalIn(a.body, "chords", chord.id)),
    ...mine.words.map(({ word }): VersionStep => ({ type: "remove", table: "words", id: word.id })),
  ];
  return [...contents, ...copyContents(theirs, mine.line.id, makeId).commands];
}

function newLine(
  line: OutlineLine,
  row: { id: string; sectionId: string; exceptionId: null; order: string },
  makeId: MakeId,
): VersionStep[] {
  return [add("lines", { ...row, originId: line.line.id }), ...copyContents(line, row.id, makeId).commands];
}

function copySection(a: Side, theirs: OutlineSection, makeId: MakeId): VersionStep[] {
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
