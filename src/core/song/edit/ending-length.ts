import type { Ticks } from "../../../base";
import { type MakeId, orderBetween } from "../../../document";
import { cutEnd } from "../read/layout";
import type { OutlineException, OutlineLine, OutlineSection } from "../read/outline";
import type { VersionBody } from "../schema/documents";
import { endOf } from "./add-exception";
import { removalIn } from "./commands";
import { copyContents } from "./copy-rows";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch, set } from "./makers";

/**
 * Sets how much of a section an ending replaces. What it then no longer replaces is taken off the beginning of its own
 * lines, what it replaces beside is copied before them: the song stays as long as it is.
 * @example an ending over the last 8 beats, "G 4, D 4", set to 4 beats: "D 4"
 */
export function setEndingLength(
  body: VersionBody,
  section: OutlineSection,
  one: OutlineException,
  ticks: Ticks,
  makeId: MakeId,
): VersionCommand {
  const before = one.exception.ticks;
  const reach = Math.min(ticks, section.ticks);
  const steps =
    reach < before
      ? trim(body, one.lines, Math.min(before, section.ticks) - reach)
      : grow(section, one, before, reach - before, makeId);
  return batch("Set how much an ending replaces", [...steps, set("exceptions", one.exception.id, { ticks })]);
}

/** Takes ticks off the beginning of some lines, and words sung before what is left. */
function trim(body: VersionBody, lines: readonly OutlineLine[], ticks: Ticks): VersionStep[] {
  let left = ticks;
  return lines.flatMap((line): VersionStep[] => {
    if (left <= 0) return [];
    if (line.ticks <= left) {
      left -= line.ticks;
      return removalIn(body, "lines", line.line.id);
    }
    const steps: VersionStep[] = [];
    for (const [index, { chord, at }] of line.chords.entries()) {
      if (left <= 0) break;
      if (chord.ticks > left) {
        steps.push(set("chords", chord.id, { ticks: chord.ticks - left }));
        left = 0;
        break;
      }
      left -= chord.ticks;
      const until = line.chords[index + 1]?.at ?? line.text.length;
      const sung = line.words.filter((word) => word.at < until && (index === 0 || word.at >= at));
      // Words first: a chord under one lets it go, and then goes itself.
      for (const { word } of sung) steps.push(...removalIn(body, "words", word.id));
      steps.push(...removalIn(body, "chords", chord.id));
    }
    return steps;
  });
}

/** Copies the ticks of a section that come before what an ending replaced, to before its own lines. */
function grow(
  section: OutlineSection,
  { exception, lines }: OutlineException,
  replaced: Ticks,
  ticks: Ticks,
  makeId: MakeId,
): VersionStep[] {
  if (ticks <= 0) return [];
  const left = cutEnd(
    section.lines.map((outline) => ({ outline })),
    replaced,
  );
  const more = endOf(
    left.map(({ outline }) => outline),
    ticks,
  );
  const [first] = lines;
  const joins = first !== undefined && more.at(-1)?.line.id === first.line.originId;
  let order = first?.line.order ?? null;
  const whole = (joins ? more.slice(0, -1) : more).toReversed().flatMap((line): VersionStep[] => {
    order = orderBetween(null, order);
    const id = makeId();
    const row = { id, originId: line.line.id, sectionId: section.section.id, order };
    return [add("lines", { ...row, exceptionId: exception.id }), ...copyContents(line, id, makeId).commands];
  });
  return [...whole, ...(joins ? putBefore(more.at(-1)!, first, makeId) : [])];
}

/** Puts the beginning of a line before what a copy of its end holds; a chord across both becomes longer. */
function putBefore(head: OutlineLine, line: OutlineLine, makeId: MakeId): VersionStep[] {
  const [across, copy] = [head.chords.at(-1), line.chords[0]];
  const isAcross = across !== undefined && copy?.chord.originId === across.chord.id;
  const known = new Map(line.words.map(({ word }) => [word.originId, word.id]));
  const words = head.words.filter(({ word }) => !known.has(word.id));
  const chords = isAcross ? head.chords.slice(0, -1) : head.chords;
  const copied = copyContents(
    { ...head, words, chords },
    line.line.id,
    makeId,
    (wordId) => known.get(wordId) ?? null,
  );
  const first = { words: line.words[0]?.word.order ?? null, chords: copy?.chord.order ?? null };
  const placed = copied.commands.toReversed().flatMap((step): VersionStep[] => {
    if (step.type !== "add" || (step.table !== "words" && step.table !== "chords")) return [step];
    const order = orderBetween(null, first[step.table]);
    first[step.table] = order;
    return [{ ...step, row: { ...step.row, order } } as VersionStep];
  });
  const longer =
    isAcross && copy ? [set("chords", copy.chord.id, { ticks: copy.chord.ticks + across.chord.ticks })] : [];
  return [...placed.toReversed(), ...longer];
}
