import { fail, ok, type Result } from "../../../base";
import { type MakeId, orderBetween } from "../../../document";
import { Namer, PLAIN_READER } from "../names";
import {
  type Outline,
  type OutlineException,
  type OutlineLine,
  type OutlineSection,
  outlineOf,
} from "../read/outline";
import { playsOf } from "../read/timeline";
import type { Choice } from "../schema/chosen-shapes";
import type { VersionBody } from "../schema/documents";
import { PLAIN_USE, type Use } from "../schema/sections";
import { anchorsFor, blankException } from "./add-exception";
import { after } from "./after";
import { removalIn } from "./commands";
import { copyLines } from "./copy-rows";
import type { VersionCommand, VersionStep } from "./edits";
import { keepParts } from "./keep-parts";
import { add, batch, set } from "./makers";
import { sayPerRound, sayPerUse } from "./per-use";
import { sameChords, sameLine, samePlaces, sameTimes } from "./same-lines";

export type FoldProblem = { readonly code: "lines-differ" | "pickups-differ" | "same-section" };

/**
 * Makes every use of one section a use of another and removes the first; nothing that sounds changes, and a use keeps the
 * name it had. Chords that are the same are the section's from then on, so that a change of them reaches every use: lines
 * whose words differ keep their own words over them, a few other chords are said one by one, and only lines that differ
 * in their times become lines of their own.
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
  const isTouched = ({ exception: { sectionId, followedBy } }: OutlineException): boolean =>
    [sectionId, followedBy].some((id) => id === fromId || id === intoId);
  const said = sayPerUse(body, outline, isTouched, makeId);
  const told = after(body, said);
  const spoken = said.length > 0 ? outlineOf(told) : outline;
  const waited = wait(told, spoken, fromId, intoId, makeId);
  const waiting = after(told, waited);
  const read = waited.length > 0 ? outlineOf(waiting) : spoken;
  const moved = foldUses(waiting, read, fromId, intoId, makeId);
  const emptied = after(waiting, moved);
  const removal = removalIn(emptied, "sections", fromId);
  const parts = keepParts(body, after(emptied, removal), makeId);
  const label = `Fold ${from.section.label} into ${into.section.label}`.slice(0, 120);
  return ok(batch(label, [...said, ...waited, ...moved, ...removal, ...parts]));
}

/** Lets what waits for one of the two sections wait for the one that stays, at the very times it was played so far. */
function wait(
  body: VersionBody,
  outline: Outline,
  fromId: string,
  intoId: string,
  makeId: MakeId,
): VersionStep[] {
  const waiting = [...outline.exceptions.values()]
    .flat()
    .filter(({ exception: { followedBy } }) => followedBy === fromId || followedBy === intoId);
  return waiting.flatMap((one) => {
    const { followedBy, useId } = one.exception;
    const rounds = playsOf(outline).filter(({ use }) => use.id === useId);
    const wakes = rounds.some(
      ({ round: { next } }) => next !== followedBy && (next === fromId || next === intoId),
    );
    if (wakes) return sayPerRound(body, outline, one, () => intoId, makeId);
    return followedBy === fromId ? [set("exceptions", one.exception.id, { followedBy: intoId })] : [];
  });
}

/** Moves the uses of one section to another, with what is otherwise in them; both sections stay. */
export function foldUses(
  body: VersionBody,
  outline: Outline,
  fromId: string,
  intoId: string,
  makeId: MakeId,
): VersionStep[] {
  const [from, into] = [outline.byId.get(fromId)!, outline.byId.get(intoId)!];
  const pairs = from.lines.map((line, index): LinePair => ({ line, target: into.lines[index]! }));
  const uses = outline.form.filter((use) => use.sectionId === fromId);
  const steps = uses.flatMap((use) => foldUse(body, outline, use, from, into, pairs, makeId));
  const lineIds = new Map(pairs.map(({ line, target }) => [line.line.id, target.line.id]));
  const extras = Object.values(body.extras)
    .filter(({ sectionId }) => sectionId === fromId)
    .map((one) =>
      set("extras", one.id, { sectionId: intoId, lineId: lineIds.get(one.lineId ?? "") ?? null }),
    );
  return [...steps, ...extras];
}

/** A line, and the one of the other section it is folded into. */
type LinePair = { readonly line: OutlineLine; readonly target: OutlineLine };

/** How a line is told from the one it is folded into. */
type Difference = "none" | "words" | "chords" | "words and chords" | "line";

/** More other chords than this share of a line are a line of its own. Ours, no source. */
const FEW = 0.5;

function differenceOf({ line, target }: LinePair): Difference {
  if (sameLine(line, target)) return "none";
  if (!sameTimes(line, target)) return "line";
  const words = line.text !== target.text || !samePlaces(line, target);
  if (sameChords(line, target)) return "words";
  const others = line.chords.filter(
    ({ chord }, at) => chord.symbol !== target.chords[at]!.chord.symbol,
  ).length;
  if (others > FEW * line.chords.length) return "line";
  return words ? "words and chords" : "chords";
}

function foldUse(
  body: VersionBody,
  outline: Outline,
  use: Use,
  from: OutlineSection,
  into: OutlineSection,
  pairs: readonly LinePair[],
  makeId: MakeId,
): VersionStep[] {
  const intoId = into.section.id;
  const exceptions = outline.exceptions.get(use.id) ?? [];
  // A line that is changed in every round already needs no second change, unless words stand over its chords.
  const changed = new Set(
    exceptions.map(({ exception: { kind, round, lineId, followedBy } }) =>
      kind === "line" && round === null && followedBy === null ? lineId : null,
    ),
  );
  const sung = new Set(
    exceptions.map(({ exception: { kind, lineId } }) => (kind === "words" ? lineId : null)),
  );
  const first = exceptions[0]?.exception.order ?? null;
  let order: string | null = null;
  const orderOf = (): string => {
    order = orderBetween(order, first);
    return order;
  };
  const chordIds = new Map<string, string>();
  const wordIds = new Map<string, string>();
  const steps: VersionStep[] = [
    set("uses", use.id, {
      sectionId: intoId,
      label: use.label ?? from.section.label,
      melodyRange:
        use.melodyRange ?? (differing(from, into, "melodyRange") ? from.section.melodyRange : null),
      energy: use.energy ?? (differing(from, into, "energy") ? from.section.energy : null),
      bass: use.bass ?? (differing(from, into, "bass") ? from.section.bass : null),
    }),
  ];
  for (const pair of pairs) {
    const { line, target } = pair;
    const difference = differenceOf(pair);
    const shares = difference !== "line";
    if (shares)
      for (const [at, { chord }] of line.chords.entries())
        chordIds.set(chord.id, target.chords[at]!.chord.id);
    if (line.text === target.text)
      for (const [at, { word }] of line.words.entries()) wordIds.set(word.id, target.words[at]!.word.id);
    if (changed.has(line.line.id) && !sung.has(line.line.id)) continue;
    const begin = (kind: "line" | "words" | "chord", fields: Partial<ReturnType<typeof blankException>>) => {
      const id = makeId();
      steps.push(add("exceptions", { ...blankException({ useId: use.id }, kind, orderOf(), id), ...fields }));
      return { sectionId: intoId, exceptionId: id };
    };
    if (difference === "line") {
      const copied = copyLines([line], begin("line", { lineId: target.line.id }), makeId);
      steps.push(...copied.commands);
      for (const [old, fresh] of copied.chordIds) chordIds.set(old, fresh);
      for (const [old, fresh] of copied.wordIds) wordIds.set(old, fresh);
    }
    if (difference === "words" || difference === "words and chords") {
      const home = begin("words", { lineId: target.line.id });
      const copied = copyLines([{ ...line, chords: [] }], home, makeId);
      steps.push(
        ...copied.commands,
        ...anchorsFor(line, copied, makeId, (at) => target.chords[at]!.chord.id),
      );
      for (const [old, fresh] of copied.wordIds) wordIds.set(old, fresh);
    }
    if (difference === "chords" || difference === "words and chords")
      for (const [at, { chord }] of line.chords.entries()) {
        const shared = target.chords[at]!.chord;
        if (chord.symbol !== shared.symbol) begin("chord", { chordId: shared.id, symbol: chord.symbol });
      }
  }
  return [
    ...steps,
    ...moveChoices(body, use, chordIds, makeId),
    ...exceptions.flatMap((one) => moveException(one, intoId, pairs, { chordIds, wordIds })),
  ];
}

/** Shapes chosen for chords that are another section's now; what was chosen for the section is said of each chord. */
const moveChoices = (
  body: VersionBody,
  use: Use,
  chordIds: ReadonlyMap<string, string>,
  makeId: MakeId,
): VersionStep[] =>
  Object.values(body.choices).flatMap((choice): VersionStep[] => {
    if (choice.scope === "section")
      return choice.sectionId === use.sectionId ? perChord(body, use, choice, chordIds, makeId) : [];
    const chordId = chordIds.get(choice.chordId ?? "");
    if (chordId === undefined || (choice.useId !== null && choice.useId !== use.id)) return [];
    const fields = { id: makeId(), scope: "chord-in-use" as const, chordId, useId: use.id };
    return [add("choices", { ...choice, ...fields })];
  });

/** A choice of a section as choices of those of its chords that sound so at a use. */
function perChord(
  body: VersionBody,
  use: Use,
  choice: Choice,
  chordIds: ReadonlyMap<string, string>,
  makeId: MakeId,
): VersionStep[] {
  const namer = new Namer(body, PLAIN_READER, use.shift);
  return [...chordIds].flatMap(([old, chordId]) => {
    const chord = body.chords[old];
    if (!chord || namer.name(chord.symbol).sounding !== choice.symbol) return [];
    const fields = { id: makeId(), scope: "chord-in-use" as const, chordId, useId: use.id, sectionId: null };
    return [add("choices", { ...choice, ...fields })];
  });
}

/** Lets an exception of a use, and what it brings, name the lines, chords and words of the other section. */
function moveException(
  { exception, lines, anchors }: OutlineException,
  intoId: string,
  pairs: readonly LinePair[],
  ids: { readonly chordIds: ReadonlyMap<string, string>; readonly wordIds: ReadonlyMap<string, string> },
): VersionStep[] {
  const { lineId, chordId } = exception;
  const target = pairs.find(({ line }) => line.line.id === lineId)?.target.line.id ?? null;
  const fields = { lineId: target, chordId: chordId && (ids.chordIds.get(chordId) ?? chordId) };
  return [
    set("exceptions", exception.id, fields),
    ...lines.map(({ line }) => set("lines", line.id, { sectionId: intoId })),
    ...lines.flatMap((line) =>
      line.chords.flatMap(({ chord }) => {
        const wordId = ids.wordIds.get(chord.wordId ?? "");
        const originId = ids.chordIds.get(chord.originId ?? "");
        const named = {
          ...(wordId !== undefined && { wordId }),
          ...(originId !== undefined && { originId }),
        };
        return Object.keys(named).length === 0 ? [] : [set("chords", chord.id, named)];
      }),
    ),
    ...[...anchors.values()].flatMap((anchor) => {
      const moved = ids.chordIds.get(anchor.chordId);
      return moved === undefined ? [] : [set("anchors", anchor.id, { chordId: moved })];
    }),
  ];
}

/** Whether two sections say something else of themselves. */
const differing = (a: OutlineSection, b: OutlineSection, field: "melodyRange" | "energy" | "bass"): boolean =>
  JSON.stringify(a.section[field]) !== JSON.stringify(b.section[field]);

/** A use without anything of its own. */
export const isPlainUse = (use: Use, outline: Outline): boolean =>
  !outline.exceptions.has(use.id) &&
  Object.entries(PLAIN_USE).every(
    ([field, value]) =>
      field === "energy" || field === "bass" || field === "label" || use[field as keyof Use] === value,
  );
