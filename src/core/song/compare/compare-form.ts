import { alignLists, differingFields, type MakeId, orderBetween, type Pair } from "../../../document";
import { removalIn } from "../edit/commands";
import { copyException } from "../edit/copy-rows";
import type { VersionCommand, VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import { sameChords } from "../edit/same-lines";
import { describeShared } from "../read/describe-exception";
import type { OutlineException, OutlineSection } from "../read/outline";
import { DOCUMENTS } from "../schema/documents";
import type { Use } from "../schema/sections";
import { tellFields } from "./compare-rows";
import type { Difference, SectionPair, Side } from "./side";

/** The same section of the other side, by id. */
const partnerOf = (sections: readonly SectionPair[], id: string): string | null =>
  sections.find((pair) => pair.a?.section.id === id)?.b?.section.id ?? null;

export function pairUses(a: Side, b: Side, sections: readonly SectionPair[]): Pair<Use, Use>[] {
  return alignLists(
    a.outline.form,
    b.outline.form,
    (one, two) => (partnerOf(sections, one.sectionId) === two.sectionId ? 0 : 3),
    1,
  );
}

/** What differs in the form: uses on one side only, and what a use has of its own. */
export function formDifferences(
  a: Side,
  b: Side,
  sections: readonly SectionPair[],
  pairs: readonly Pair<Use, Use>[],
  makeId: MakeId,
): Difference[] {
  return pairs.flatMap(({ a: mine, b: theirs }, index): Difference[] => {
    const labelOf = (side: Side, use: Use) =>
      use.label ?? side.outline.byId.get(use.sectionId)?.section.label ?? "";
    if (mine && theirs) {
      const fields = differingFields(DOCUMENTS.version, "uses", mine, theirs, {});
      const apart = tellFields(a, b, "uses", mine, theirs, Object.keys(fields), "as the song");
      const otherwise = differOtherwise(a, b, mine, theirs);
      const words = [...apart, ...otherwise];
      if (words.length === 0) return [];
      const take = batch("Take a place in the form over", [
        ...(apart.length > 0 ? [set("uses", mine.id, fields)] : []),
        ...(otherwise.length > 0 ? takeExceptions(a, b, mine, theirs, sections, makeId) : []),
      ]);
      return [{ id: `use ${mine.id}`, where: `Form, ${labelOf(a, mine)}`, words: words.join("; "), take }];
    }
    if (mine) {
      const take = batch("Take a section out of the form", removalIn(a.body, "uses", mine.id));
      return [
        { id: `use ${mine.id}`, where: "Form", words: `${labelOf(a, mine)} is played here, not there`, take },
      ];
    }
    const words = `${labelOf(b, theirs!)} is played there, not here`;
    const take = takeUse(a, b, pairs, index, sections, makeId);
    return [{ id: `use ${theirs!.id}`, where: "Form", words, take }];
  });
}

/** The section here that a section there is beside. */
const homeOf = (sections: readonly SectionPair[], theirId: string): OutlineSection | null =>
  sections.find((pair) => pair.b?.section.id === theirId)?.a ?? null;

/** Plays here what is only played there, in its place; a section that is not here must be taken over first. */
function takeUse(
  a: Side,
  b: Side,
  pairs: readonly Pair<Use, Use>[],
  index: number,
  sections: readonly SectionPair[],
  makeId: MakeId,
): VersionCommand | null {
  const theirs = pairs[index]!.b!;
  const home = homeOf(sections, theirs.sectionId);
  if (!home) return null;
  const before = pairs.slice(0, index).findLast((pair) => pair.a)?.a?.order ?? null;
  const after = pairs.slice(index + 1).find((pair) => pair.a)?.a?.order ?? null;
  const use = {
    ...theirs,
    id: makeId(),
    originId: theirs.id,
    sectionId: home.section.id,
    order: orderBetween(before, after),
  };
  return batch("Take a place in the form over", [
    add("uses", use),
    ...takeExceptions(a, b, use, theirs, sections, makeId),
  ]);
}

/** What is otherwise at a use, or in a section, as one would say it, with what its own lines hold. */
function saidOf(side: Side, use: Use, said: readonly OutlineException[]): string[] {
  return said.map((one) => {
    const lines = one.lines.map(
      (line) => `${line.text} ${line.chords.map(({ chord }) => chord.symbol).join(" ")}`,
    );
    return JSON.stringify([describeShared(one, use, side.outline, side.version, side.nameOf), lines]);
  });
}

const ownOf = (side: Side, use: Use): readonly OutlineException[] =>
  side.outline.exceptions.get(use.id) ?? [];
const sharedOf = (side: Side, use: Use): readonly OutlineException[] =>
  side.outline.ofSections.get(use.sectionId) ?? [];

/** In words what is said on one side and not, or not in the same way, on the other. */
function apart(here: readonly string[], there: readonly string[]): string[] {
  const words = (list: readonly string[], than: readonly string[], where: string) =>
    list.filter((one) => !than.includes(one)).map((one) => `${JSON.parse(one)[0]} ${where}`);
  return [...new Set([...words(there, here, "there"), ...words(here, there, "only here")])];
}

/** In words what is otherwise at one of two uses and not, or not in the same way, at the other. */
const differOtherwise = (a: Side, b: Side, mine: Use, theirs: Use): string[] =>
  apart(saidOf(a, mine, ownOf(a, mine)), saidOf(b, theirs, ownOf(b, theirs)));

/** What sections say of their times on one side and not on the other. */
export function sharedDifferences(
  a: Side,
  b: Side,
  sections: readonly SectionPair[],
  makeId: MakeId,
): Difference[] {
  const firstUse = (side: Side, id: string) => side.outline.form.find(({ sectionId }) => sectionId === id);
  return sections.flatMap((pair): Difference[] => {
    const [mine, theirs] = [
      pair.a && firstUse(a, pair.a.section.id),
      pair.b && firstUse(b, pair.b.section.id),
    ];
    if (!mine || !theirs) return [];
    const [here, there] = [sharedOf(a, mine), sharedOf(b, theirs)];
    const words = apart(saidOf(a, mine, here), saidOf(b, theirs, there));
    if (words.length === 0) return [];
    const take = batch("Take over what a section says", takeSaid(a, pair, sections, here, there, makeId));
    return [{ id: `said ${mine.sectionId}`, where: pair.a!.section.label, words: words.join("; "), take }];
  });
}

/** Makes what is otherwise at a use here as it is there. */
const takeExceptions = (
  a: Side,
  b: Side,
  mine: Use,
  theirs: Use,
  sections: readonly SectionPair[],
  makeId: MakeId,
): VersionStep[] => {
  const pair = sections.find((one) => one.a?.section.id === mine.sectionId);
  return takeSaid(a, pair, sections, ownOf(a, mine), ownOf(b, theirs), makeId, { useId: mine.id });
};

/** Says there what is said here of a use or a section. A line or chord that has no like here is left out. */
function takeSaid(
  a: Side,
  pair: SectionPair | undefined,
  sections: readonly SectionPair[],
  here: readonly OutlineException[],
  there: readonly OutlineException[],
  makeId: MakeId,
  home: { readonly useId?: string } = {},
): VersionStep[] {
  const lines = pair?.lines ?? [];
  const sectionId = pair?.a?.section.id ?? "";
  const lineIds = new Map(lines.flatMap((one) => (one.a && one.b ? [[one.b.line.id, one.a.line.id]] : [])));
  const chordIds = new Map(
    lines.flatMap((one) =>
      one.a && one.b && sameChords(one.a, one.b)
        ? one.b.chords.map(({ chord }, at) => [chord.id, one.a!.chords[at]!.chord.id] as const)
        : [],
    ),
  );
  const wordIds = new Map(
    lines.flatMap((one) =>
      one.a && one.b && one.a.text === one.b.text
        ? one.b.words.map(({ word }, at) => [word.id, one.a!.words[at]!.word.id] as const)
        : [],
    ),
  );
  const old = here.flatMap(({ exception }) => removalIn(a.body, "exceptions", exception.id));
  const fresh = there.flatMap((one): VersionStep[] => {
    const { exception } = one;
    const lineId = exception.lineId === null ? null : lineIds.get(exception.lineId);
    if (lineId === undefined) return [];
    const chordId = exception.chordId === null ? null : (chordIds.get(exception.chordId) ?? null);
    const followedBy = homeOf(sections, exception.followedBy ?? "")?.section.id ?? null;
    if (exception.followedBy !== null && followedBy === null) return [];
    if (exception.kind === "chord" && chordId === null) return [];
    const place = home.useId === undefined ? { sectionId } : home;
    const copied = copyException(one, { ...place, lineId, chordId, followedBy }, sectionId, makeId, {
      chordIds,
      wordIds,
    });
    for (const [from, to] of copied.chordIds) chordIds.set(from, to);
    return copied.commands;
  });
  return [...old, ...fresh];
}
