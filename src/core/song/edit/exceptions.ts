import { fail, ok, type Result, type Ticks } from "../../../base";
import { type MakeId, orderBetween, ordersFor } from "../../../document";
import { isPlayed, linesPlayed } from "../read/layout";
import type { Outline, OutlineLine, OutlineSection } from "../read/outline";
import { playsOf } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { type Exception, type ExceptionKind, PLAIN_USE, type Use } from "../schema/sections";
import { orderAtEnd, removalIn } from "./commands";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch, set } from "./makers";

/** What a new exception says beyond its kind. */
export type ExceptionFields = Partial<Omit<Exception, "id" | "useId" | "order" | "kind">>;

const BLANK = { round: null, lineId: null, chordId: null, followedBy: null, ticks: 0, cued: false };

/**
 * Makes something otherwise at one use. A changed line begins as a copy of the line, an ending as a copy of what
 * it replaces, an extra line as the last line once more: what is copied is then changed like any line.
 */
export function addException(
  outline: Outline,
  use: Use,
  kind: ExceptionKind,
  fields: ExceptionFields,
  makeId: MakeId,
): VersionCommand {
  const id = makeId();
  const rows = (outline.exceptions.get(use.id) ?? []).map(({ exception }) => exception);
  const row = { ...BLANK, ...fields, id, useId: use.id, order: orderAtEnd(rows), kind };
  const home = { sectionId: use.sectionId, exceptionId: id };
  const lines = startingLines(outline.byId.get(use.sectionId), kind, row);
  return batch(LABELS[kind], [add("exceptions", row), ...copyLines(lines, home, makeId).commands]);
}

const LABELS: Readonly<Record<ExceptionKind, string>> = Object.freeze({
  line: "Change a line here",
  ending: "Another ending",
  extra: "An extra line",
  hold: "A hold",
  push: "A push",
  stop: "A stop",
});

function startingLines(
  section: OutlineSection | undefined,
  kind: ExceptionKind,
  { lineId, ticks }: Pick<Exception, "lineId" | "ticks">,
): readonly OutlineLine[] {
  const lines = section?.lines ?? [];
  if (kind === "line") return lines.filter((one) => one.line.id === lineId);
  if (kind === "extra") return lines.slice(-1);
  return kind === "ending" ? endOf(lines, ticks) : [];
}

/** The last ticks of some lines; a chord across the beginning keeps its end. */
function endOf(lines: readonly OutlineLine[], ticks: Ticks): OutlineLine[] {
  const found: OutlineLine[] = [];
  let left = ticks;
  for (const line of lines.toReversed()) {
    if (left <= 0) break;
    const chords: OutlineLine["chords"][number][] = [];
    for (const placed of line.chords.toReversed()) {
      if (left <= 0) break;
      const part = Math.min(left, placed.chord.ticks);
      chords.unshift({ ...placed, chord: { ...placed.chord, ticks: part } });
      left -= part;
    }
    const whole = chords.length === line.chords.length;
    const from = whole ? 0 : (chords[0]?.at ?? 0);
    found.unshift({ ...line, chords, words: line.words.filter(({ at }) => at >= from) });
  }
  return found;
}

/** Copies what a line holds to another; ids are fresh, and `chordIds` tells which old chord became which. */
export function copyContents(
  line: OutlineLine,
  lineId: string,
  makeId: MakeId,
  chordIds: Map<string, string> = new Map(),
): VersionStep[] {
  const wordIds = new Map(line.words.map(({ word }) => [word.id, makeId()]));
  return [
    ...line.words.map(({ word }) =>
      add("words", { ...word, id: wordIds.get(word.id)!, originId: word.id, lineId }),
    ),
    ...line.chords.map(({ chord }) => {
      const id = makeId();
      chordIds.set(chord.id, id);
      const wordId = wordIds.get(chord.wordId ?? "") ?? null;
      return add("chords", { ...chord, id, originId: chord.id, lineId, wordId });
    }),
  ];
}

/** Copies lines to a home. */
export function copyLines(
  lines: readonly OutlineLine[],
  home: { sectionId: string; exceptionId: string | null },
  makeId: MakeId,
): { commands: VersionStep[]; chordIds: ReadonlyMap<string, string> } {
  const chordIds = new Map<string, string>();
  const orders = ordersFor(lines.length);
  const commands = lines.flatMap((line, index): VersionStep[] => {
    const lineId = makeId();
    return [
      add("lines", { id: lineId, originId: line.line.id, order: orders[index]!, ...home }),
      ...copyContents(line, lineId, makeId, chordIds),
    ];
  });
  return { commands, chordIds };
}

const MARKS: readonly ExceptionKind[] = ["hold", "push", "stop"];

/**
 * Makes a section of its own of what is played at a use, exceptions and all; nothing that sounds changes. Rounds
 * that differ become uses of their own, each with its section.
 */
export function unfold(body: VersionBody, outline: Outline, useId: string, makeId: MakeId): VersionCommand {
  const rounds = playsOf(outline).filter((play) => play.use.id === useId);
  const [first] = rounds;
  if (!first) return batch("Unfold", []);
  const { use, section } = first;
  const exceptions = outline.exceptions.get(useId) ?? [];
  const groups: { key: string; times: number; play: (typeof rounds)[number] }[] = [];
  for (const play of rounds) {
    const laid = linesPlayed(section, exceptions, play.round);
    const marks = exceptions.filter(
      ({ exception }) => MARKS.includes(exception.kind) && isPlayed(exception, play.round),
    );
    const key = JSON.stringify([laid, marks.map(({ exception }) => exception.id)]);
    const last = groups.at(-1);
    if (last?.key === key) last.times++;
    else groups.push({ key, times: 1, play });
  }
  const sectionOrder = orderAfter(Object.values(body.sections), section.section);
  let useOrder: string | null = null;
  const made = groups.flatMap((group, index): VersionStep[] => {
    const laid = linesPlayed(section, exceptions, group.play.round).map(({ outline: line }) => line);
    const sectionId = makeId();
    const label = numbered(use.label ?? `${section.section.label} (own)`, index, groups.length);
    const { commands, chordIds } = copyLines(laid, { sectionId, exceptionId: null }, makeId);
    const id = index === 0 ? use.id : makeId();
    useOrder ??= use.order;
    if (index > 0) useOrder = orderAfter(Object.values(body.uses), { ...use, order: useOrder });
    const row = { ...use, id, sectionId, order: useOrder, repeat: group.times };
    const lastChord = laid.flatMap((line) => line.chords).at(-1)?.chord.id;
    const marks = exceptions
      .map(({ exception }) => exception)
      .filter((one) => MARKS.includes(one.kind) && isPlayed(one, group.play.round))
      .map((one) => {
        const at = one.chordId ?? (one.kind === "push" ? null : (lastChord ?? null));
        const chordId = at === null ? null : (chordIds.get(at) ?? null);
        return add("exceptions", { ...one, id: makeId(), useId: id, round: null, chordId });
      });
    const { originId: _origin, ...settings } = section.section;
    const placed = { ...settings, id: sectionId, originId: section.section.id, order: sectionOrder, label };
    return [
      add("sections", placed),
      ...commands,
      index === 0
        ? set("uses", use.id, { sectionId, repeat: group.times })
        : add("uses", { ...row, originId: use.id }),
      ...marks,
      ...Object.values(body.choices).flatMap((choice) => {
        const chordId = chordIds.get(choice.chordId ?? "");
        if (chordId === undefined || (choice.useId !== null && choice.useId !== use.id)) return [];
        return [add("choices", { ...choice, id: makeId(), chordId, useId: choice.useId && id })];
      }),
    ];
  });
  const old = exceptions.flatMap(({ exception }) => removalIn(body, "exceptions", exception.id));
  // An ending of the use before that waits for this section now waits for the one made of it.
  const before = outline.form[outline.form.findIndex((one) => one.id === useId) - 1];
  const named = (outline.exceptions.get(before?.id ?? "") ?? []).flatMap(({ exception }) =>
    exception.followedBy === use.sectionId && before?.sectionId !== use.sectionId ? [exception.id] : [],
  );
  const firstMade = made.find((command) => command.type === "add" && command.table === "sections");
  const sectionId = firstMade?.type === "add" ? firstMade.row.id : use.sectionId;
  return batch("Make a section of its own", [
    ...once(old),
    ...made,
    ...named.map((id) => set("exceptions", id, { followedBy: sectionId })),
  ]);
}

const numbered = (label: string, index: number, of: number): string =>
  (of === 1 ? label : `${label} ${index + 1}`).slice(0, 80);

/** Removals of several rows may name the same row twice. */
function once(commands: readonly VersionStep[]): VersionStep[] {
  const seen = new Set<string>();
  return commands.filter((command) => {
    const key = JSON.stringify(command);
    return seen.has(key) ? false : seen.add(key);
  });
}

function orderAfter(rows: readonly { order: string }[], row: { order: string }): string {
  const later = rows.map((one) => one.order).filter((order) => order > row.order);
  return orderBetween(row.order, later.length === 0 ? null : later.reduce((a, b) => (a < b ? a : b)));
}

export type FoldProblem = { readonly code: "lines-differ" | "pickups-differ" | "same-section" };

/**
 * Makes every use of one section a use of another and removes the first; nothing that sounds changes. Lines that
 * are not the same become changed lines of those uses, and a use keeps the name it had.
 */
export function fold(
  body: VersionBody,
  outline: Outline,
  fromId: string,
  intoId: string,
  makeId: MakeId,
): Result<VersionCommand, FoldProblem> {
  const [from, into] = [outline.byId.get(fromId), outline.byId.get(intoId)];
  if (!from || !into || from === into) return fail({ code: "same-section" });
  if (from.section.pickup !== into.section.pickup) return fail({ code: "pickups-differ" });
  if (from.lines.length !== into.lines.length) return fail({ code: "lines-differ" });
  const same = from.lines.map((line, index) => sameLine(line, into.lines[index]!));
  const lineIds = new Map(from.lines.map((line, index) => [line.line.id, into.lines[index]!.line.id]));
  const uses = outline.form.filter((use) => use.sectionId === fromId);
  const moved = uses.flatMap((use) => foldUse(body, outline, use, from, into, same, lineIds, makeId));
  const followers = Object.values(body.exceptions)
    .filter((one) => one.followedBy === fromId)
    .map((one) => set("exceptions", one.id, { followedBy: intoId }));
  const extras = Object.values(body.extras).map((one) =>
    one.sectionId === fromId
      ? set("extras", one.id, { sectionId: intoId, lineId: lineIds.get(one.lineId ?? "") ?? null })
      : null,
  );
  const emptied = { ...body, uses: {}, exceptions: {}, extras: {} };
  const kept = new Set(
    uses.flatMap((use) =>
      (outline.exceptions.get(use.id) ?? []).flatMap(({ lines }) => lines.map(({ line }) => line.id)),
    ),
  );
  const lines = Object.fromEntries(Object.entries(body.lines).filter(([id]) => !kept.has(id)));
  const removal = removalIn({ ...emptied, lines }, "sections", fromId);
  return ok(
    batch(`Fold ${from.section.label} into ${into.section.label}`.slice(0, 120), [
      ...moved,
      ...followers,
      ...extras.filter((one) => one !== null),
      ...removal,
    ]),
  );
}

function foldUse(
  body: VersionBody,
  outline: Outline,
  use: Use,
  from: OutlineSection,
  into: OutlineSection,
  same: readonly boolean[],
  lineIds: ReadonlyMap<string, string>,
  makeId: MakeId,
): VersionStep[] {
  const commands: VersionStep[] = [
    set("uses", use.id, { sectionId: into.section.id, label: use.label ?? from.section.label }),
  ];
  const chordIds = new Map<string, string>();
  const exceptions = outline.exceptions.get(use.id) ?? [];
  // A line that is changed in every round already needs no second change.
  const changed = new Set(
    exceptions.map(({ exception }) => (exception.round === null ? exception.lineId : null)),
  );
  const first = exceptions[0]?.exception.order ?? null;
  let order: string | null = null;
  for (const [index, line] of from.lines.entries()) {
    const target = into.lines[index]!;
    if (same[index]) {
      for (const [at, { chord }] of line.chords.entries())
        chordIds.set(chord.id, target.chords[at]!.chord.id);
      continue;
    }
    if (changed.has(line.line.id)) continue;
    const id = makeId();
    order = orderBetween(order, first);
    commands.push(
      add("exceptions", { ...BLANK, id, useId: use.id, order, kind: "line", lineId: target.line.id }),
    );
    const copied = copyLines([line], { sectionId: into.section.id, exceptionId: id }, makeId);
    commands.push(...copied.commands);
    for (const [old, fresh] of copied.chordIds) chordIds.set(old, fresh);
  }
  for (const choice of Object.values(body.choices)) {
    const chordId = chordIds.get(choice.chordId ?? "");
    if (chordId !== undefined && (choice.useId === null || choice.useId === use.id))
      commands.push(
        add("choices", { ...choice, id: makeId(), scope: "chord-in-use", chordId, useId: use.id }),
      );
  }
  for (const { exception, lines } of exceptions) {
    const fields = {
      lineId: exception.lineId === null ? null : (lineIds.get(exception.lineId) ?? null),
      chordId: exception.chordId === null ? null : (chordIds.get(exception.chordId) ?? exception.chordId),
    };
    commands.push(set("exceptions", exception.id, fields));
    for (const { line } of lines) commands.push(set("lines", line.id, { sectionId: into.section.id }));
  }
  return commands;
}

/** Whether two lines hold the same words and the same chords at the same places for as long. */
export const sameLine = (a: OutlineLine, b: OutlineLine): boolean =>
  a.text === b.text && sameChords(a, b) && a.chords.every(({ at }, index) => at === b.chords[index]!.at);

/** Whether two lines hold the same chords for as long. */
export const sameChords = (a: OutlineLine, b: OutlineLine): boolean =>
  a.chords.length === b.chords.length &&
  a.chords.every(
    ({ chord }, index) =>
      chord.symbol === b.chords[index]!.chord.symbol && chord.ticks === b.chords[index]!.chord.ticks,
  );

/** A use without anything of its own. */
export const isPlainUse = (use: Use, outline: Outline): boolean =>
  !outline.exceptions.has(use.id) &&
  Object.entries(PLAIN_USE).every(
    ([field, value]) =>
      field === "energy" || field === "bass" || field === "label" || use[field as keyof Use] === value,
  );
