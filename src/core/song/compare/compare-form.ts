import { alignLists, differingFields, type MakeId, orderBetween, type Pair } from "../../../document";
import { removalIn } from "../edit/commands";
import { copyException } from "../edit/copy-rows";
import type { VersionCommand, VersionStep } from "../edit/edits";
import { add, batch, set } from "../edit/makers";
import { sameChords } from "../edit/same-lines";
import { describeException } from "../read/describe-exception";
import type { OutlineSection } from "../read/outline";
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

/** What is otherwise at a use, as one would say it, with what its own lines hold. */
function saidOf(side: Side, use: Use): string[] {
  return (side.outline.exceptions.get(use.id) ?? []).map((one) => {
    const lines = one.lines.map(
      (line) => `${line.text} ${line.chords.map(({ chord }) => chord.symbol).join(" ")}`,
    );
    return JSON.stringify([describeException(one, use, side.outline, side.version, side.nameOf), lines]);
  });
}

/** In words what is otherwise at one of two uses and not, or not in the same way, at the other. */
function differOtherwise(a: Side, b: Side, mine: Use, theirs: Use): string[] {
  const [here, there] = [saidOf(a, mine), saidOf(b, theirs)];
  const words = (list: readonly string[], than: readonly string[], where: string) =>
    list.filter((one) => !than.includes(one)).map((one) => `${JSON.parse(one)[0]} ${where}`);
  return [...new Set([...words(there, here, "there"), ...words(here, there, "only here")])];
}

/** Makes what is otherwise at a use here as it is there. A line or chord that has no like here is left out. */
function takeExceptions(
  a: Side,
  b: Side,
  mine: Use,
  theirs: Use,
  sections: readonly SectionPair[],
  makeId: MakeId,
): VersionStep[] {
  const { lines = [] } = sections.find((pair) => pair.a?.section.id === mine.sectionId) ?? {};
  const lineIds = new Map(
    lines.flatMap((pair) => (pair.a && pair.b ? [[pair.b.line.id, pair.a.line.id]] : [])),
  );
  const chordIds = new Map(
    lines.flatMap((pair) =>
      pair.a && pair.b && sameChords(pair.a, pair.b)
        ? pair.b.chords.map(({ chord }, at) => [chord.id, pair.a!.chords[at]!.chord.id] as const)
        : [],
    ),
  );
  const wordIds = new Map(
    lines.flatMap((pair) =>
      pair.a && pair.b && pair.a.text === pair.b.text
        ? pair.b.words.map(({ word }, at) => [word.id, pair.a!.words[at]!.word.id] as const)
        : [],
    ),
  );
  const old = (a.outline.exceptions.get(mine.id) ?? []).flatMap(({ exception }) =>
    removalIn(a.body, "exceptions", exception.id),
  );
  const fresh = (b.outline.exceptions.get(theirs.id) ?? []).flatMap((one): VersionStep[] => {
    const { exception } = one;
    const lineId = exception.lineId === null ? null : lineIds.get(exception.lineId);
    if (lineId === undefined) return [];
    const chordId = exception.chordId === null ? null : (chordIds.get(exception.chordId) ?? null);
    const followedBy = homeOf(sections, exception.followedBy ?? "")?.section.id ?? null;
    if (exception.followedBy !== null && followedBy === null) return [];
    if (exception.kind === "chord" && chordId === null) return [];
    const fields = { useId: mine.id, lineId, chordId, followedBy };
    const copied = copyException(one, fields, mine.sectionId, makeId, { chordIds, wordIds });
    for (const [from, to] of copied.chordIds) chordIds.set(from, to);
    return copied.commands;
  });
  return [...old, ...fresh];
}
