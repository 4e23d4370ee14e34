import { type MakeId, orderBetween } from "../../../document";
import { MARKS, marksPlayed } from "../read/lay-out";
import { isPlayed, linesPlayed } from "../read/layout";
import { exceptionsAt, type Outline, type OutlineException } from "../read/outline";
import { playsOf } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { homeFields } from "./add-exception";
import { after } from "./after";
import { removalIn } from "./commands";
import { copyException } from "./copy-rows";
import type { VersionStep } from "./edits";
import { set } from "./makers";

/** Whether what a section says counts in one time through it, and no mark or ending of the use stands above it. */
function counts(outline: Outline, shared: OutlineException, { use, section, round }: Play): boolean {
  const { id, kind, sectionId } = shared.exception;
  if (use.sectionId !== sectionId || !isPlayed(shared.exception, round)) return false;
  if (kind === "ending") {
    const own = outline.exceptions.get(use.id) ?? [];
    return !own.some(({ exception }) => exception.kind === "ending" && isPlayed(exception, round));
  }
  if (!MARKS.has(kind)) return true;
  const exceptions = exceptionsAt(outline, use);
  const played = marksPlayed(exceptions, linesPlayed(section, exceptions, round), round);
  return played.some(({ exception }) => exception.id === id);
}

type Play = ReturnType<typeof playsOf>[number];

/** What was copied for one round of a use: the chords of shared lines by what became of them there. */
type ChordIds = Map<string, string>;

function copiesOf(
  outline: Outline,
  shared: OutlineException,
  chordIdsAt: (useId: string, round: number) => ChordIds,
  makeId: MakeId,
): VersionStep[] {
  const plays = playsOf(outline).filter((play) => counts(outline, shared, play));
  return plays.flatMap(({ use, round }) => {
    const first = outline.exceptions.get(use.id)?.[0]?.exception.order ?? null;
    // Others that the section said before this one come before it here too.
    const before = (outline.ofSections.get(use.sectionId) ?? []).indexOf(shared);
    let order: string | null = null;
    for (let step = 0; step <= before; step++) order = orderBetween(order, first);
    const chordIds = chordIdsAt(use.id, round.round);
    const { chordId } = shared.exception;
    const fields = {
      ...homeFields({ useId: use.id, round: use.repeat === 1 ? null : round.round + 1 }),
      order: order!,
      chordId: chordId && (chordIds.get(chordId) ?? chordId),
    };
    const copied = copyException(shared, fields, use.sectionId, makeId, { chordIds });
    for (const [old, fresh] of copied.chordIds) chordIds.set(old, fresh);
    return copied.commands;
  });
}

/**
 * Says what is said of sections at each use and round it is played at instead; nothing that sounds changes. What is said
 * of a section follows its times; what is said of a use stays with it wherever its section goes.
 * @param isMeant which of what sections say
 */
export function sayPerUse(
  body: VersionBody,
  outline: Outline,
  isMeant: (shared: OutlineException) => boolean,
  makeId: MakeId,
): VersionStep[] {
  const places = new Map<string, ChordIds>();
  const chordIdsAt = (useId: string, round: number): ChordIds => {
    const key = `${useId} ${round}`;
    const known = places.get(key) ?? new Map<string, string>();
    places.set(key, known);
    return known;
  };
  // What a use says stands above what its section says of the same: so all of a kind is said there, or none.
  const meant = [...outline.ofSections.values()].flatMap((all) => {
    const kinds = new Set(all.filter(isMeant).map(({ exception }) => exception.kind));
    return all.filter(({ exception }) => kinds.has(exception.kind));
  });
  const copies = meant.flatMap((shared) => copiesOf(outline, shared, chordIdsAt, makeId));
  const said = [...copies, ...moveMarks(outline, meant, chordIdsAt, makeId)];
  const told = after(body, said);
  return [...said, ...once(meant.flatMap(({ exception }) => removalIn(told, "exceptions", exception.id)))];
}

/** Lets what uses say of chords that shared lines brought say it of the copies of those. */
function moveMarks(
  outline: Outline,
  meant: readonly OutlineException[],
  chordIdsAt: (useId: string, round: number) => ChordIds,
  makeId: MakeId,
): VersionStep[] {
  const brought = new Set(
    meant.flatMap(({ lines }) => lines.flatMap(({ chords }) => chords.map(({ chord }) => chord.id))),
  );
  const marks = [...outline.exceptions.values()]
    .flat()
    .filter(({ exception: { chordId } }) => brought.has(chordId ?? ""));
  return marks.flatMap((one) => {
    const { id, useId, chordId, round } = one.exception;
    const rounds = playsOf(outline).filter(({ use }) => use.id === useId);
    const copyIn = (at: number): string | undefined => chordIdsAt(useId!, at).get(chordId!);
    if (rounds.length === 1 || round !== null) {
      const copy = copyIn((round ?? 1) - 1);
      return copy === undefined ? [] : [set("exceptions", id, { chordId: copy })];
    }
    return rounds.flatMap(({ use, round: { round: at } }) => {
      const copy = copyIn(at);
      const fields = { chordId: copy ?? null, round: at + 1 };
      return copy === undefined ? [] : copyException(one, fields, use.sectionId, makeId).commands;
    });
  });
}

/**
 * Says what a use says once for each round it is played in, each waiting for a section of its own to follow. What is
 * played in no round goes.
 * @param followedBy the section that is to follow in a round, counted from 0
 */
export function sayPerRound(
  body: VersionBody,
  outline: Outline,
  one: OutlineException,
  followedBy: (round: number) => string,
  makeId: MakeId,
): VersionStep[] {
  const { useId, id } = one.exception;
  const rounds = playsOf(outline).filter(
    ({ use, round }) => use.id === useId && isPlayed(one.exception, round),
  );
  const [first] = rounds;
  if (first && rounds.length === 1 && (first.use.repeat === 1 || one.exception.round !== null))
    return [set("exceptions", id, { followedBy: followedBy(first.round.round) })];
  const copies = rounds.flatMap(({ use, round }) => {
    const fields = { round: round.round + 1, followedBy: followedBy(round.round) };
    return copyException(one, fields, use.sectionId, makeId).commands;
  });
  return [...copies, ...removalIn(body, "exceptions", id)];
}

/** Removals of several rows may name the same row twice. */
export function once(commands: readonly VersionStep[]): VersionStep[] {
  const seen = new Set<string>();
  return commands.filter((command) => {
    const key = JSON.stringify(command);
    return seen.has(key) ? false : seen.add(key);
  });
}
