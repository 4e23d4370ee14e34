import type { Ticks } from "../../../base";
import type { MakeId } from "../../../document";
import type { Outline, OutlineException } from "../read/outline";
import type { VersionBody } from "../schema/documents";
import type { ExceptionKind } from "../schema/sections";
import { addException, type ExceptionFields, type ExceptionHome } from "./add-exception";
import { removalIn } from "./commands";
import type { VersionCommand } from "./edits";
import { batch, set } from "./makers";

/** Marks that can't be at one chord together: each takes the other away. */
const INSTEAD: Readonly<Partial<Record<ExceptionKind, readonly ExceptionKind[]>>> = Object.freeze({
  push: ["late"],
  late: ["push"],
  choke: ["hit", "stop"],
  hit: ["choke", "stop"],
  stop: ["choke", "hit"],
});

/** What is said of a chord at one home: of a use, or of a section for whichever times. */
function saidOf(outline: Outline, home: ExceptionHome, chordId: string): readonly OutlineException[] {
  const all = "useId" in home ? outline.exceptions.get(home.useId) : outline.ofSections.get(home.sectionId);
  return (all ?? []).filter(({ exception }) => exception.chordId === chordId);
}

/** Whether two say the same times. */
const sameTimes = (home: ExceptionHome, { exception }: OutlineException): boolean =>
  "useId" in home ? exception.round === (home.round ?? null) : exception.times === home.times;

/**
 * Marks a chord, or takes the mark away where the same one is there for the same times; one that can't be beside it goes.
 * @example markChord(body, outline, { sectionId: "chorus", times: "every" }, "c3", "push", { ticks: 480 }, makeId)
 */
export function markChord(
  body: VersionBody,
  outline: Outline,
  home: ExceptionHome,
  chordId: string,
  kind: ExceptionKind,
  fields: ExceptionFields & { readonly ticks: Ticks },
  makeId: MakeId,
): VersionCommand {
  const here = saidOf(outline, home, chordId).filter((one) => sameTimes(home, one));
  const same = here.filter(({ exception }) => exception.kind === kind);
  const others = here.filter(({ exception }) => INSTEAD[kind]?.includes(exception.kind));
  const gone = [...same, ...others].flatMap(({ exception }) => removalIn(body, "exceptions", exception.id));
  if (same.length > 0) return batch("Take a mark away", gone);
  const made = addException(outline, home, kind, { ...fields, chordId }, makeId);
  if (gone.length === 0) return made;
  return batch("Mark a chord", [...gone, ...(made.type === "batch" ? made.commands : [made])]);
}

/** Plays another chord in a chord's place at a home; the section's own chord again takes that away. */
export function nameChord(
  body: VersionBody,
  outline: Outline,
  home: ExceptionHome,
  chordId: string,
  symbol: string,
  makeId: MakeId,
): VersionCommand {
  const [known] = saidOf(outline, home, chordId).filter(
    (one) => one.exception.kind === "chord" && sameTimes(home, one),
  );
  const isOwn = body.chords[chordId]?.symbol === symbol;
  if (known && isOwn)
    return batch("As it is written again", removalIn(body, "exceptions", known.exception.id));
  return known
    ? set("exceptions", known.exception.id, { symbol })
    : addException(outline, home, "chord", { chordId, symbol }, makeId);
}
