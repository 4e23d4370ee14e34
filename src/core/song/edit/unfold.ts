import { type MakeId, orderBetween } from "../../../document";
import { marksPlayed } from "../read/lay-out";
import { type LaidLine, linesPlayed } from "../read/layout";
import { exceptionsAt, type Outline, type OutlineException, outlineOf } from "../read/outline";
import { playsOf } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import type { Use } from "../schema/sections";
import { after } from "./after";
import { removalIn } from "./commands";
import { copyLines } from "./copy-rows";
import type { VersionCommand, VersionStep } from "./edits";
import { keepParts } from "./keep-parts";
import { add, batch, set } from "./makers";
import { once, sayPerRound, sayPerUse } from "./per-use";

/**
 * Makes a section of its own of what is played at a use, exceptions and all; nothing that sounds changes. Rounds
 * that differ become uses of their own, each with its section. What the section says of only some of its times is then
 * said at those uses, as the times are counted anew.
 */
export function unfold(body: VersionBody, outline: Outline, useId: string, makeId: MakeId): VersionCommand {
  const use = outline.form.find(({ id }) => id === useId);
  if (!use) return batch("Unfold", []);
  const isTouched = ({ exception: { sectionId, times, followedBy } }: OutlineException): boolean =>
    (sectionId === use.sectionId && times !== "every") || followedBy === use.sectionId;
  const said = sayPerUse(body, outline, isTouched, makeId);
  const told = after(body, said);
  const made = unfoldUse(told, said.length > 0 ? outlineOf(told) : outline, useId, makeId);
  const parts = keepParts(body, after(told, made), makeId);
  return batch("Make a section of its own", [...said, ...made, ...parts]);
}

type Play = ReturnType<typeof playsOf>[number];
type Group = { readonly laid: LaidLine[]; readonly play: Play; readonly marks: readonly OutlineException[] };

/** Rounds of a use that are played alike, in a row. */
function groupsOf(outline: Outline, rounds: readonly Play[]): (Group & { readonly times: number })[] {
  const groups: (Group & { key: string; times: number })[] = [];
  for (const play of rounds) {
    const exceptions = exceptionsAt(outline, play.use);
    const laid = linesPlayed(play.section, exceptions, play.round);
    const marks = marksPlayed(exceptions, laid, play.round);
    const key = JSON.stringify([laid, marks.map(({ exception }) => exception.id)]);
    const last = groups.at(-1);
    if (last?.key === key) last.times++;
    else groups.push({ key, times: 1, play, laid, marks });
  }
  return groups;
}

function unfoldUse(body: VersionBody, outline: Outline, useId: string, makeId: MakeId): VersionStep[] {
  const rounds = playsOf(outline).filter((play) => play.use.id === useId);
  const [first] = rounds;
  if (!first) return [];
  const { use, section } = first;
  const groups = groupsOf(outline, rounds);
  const sectionOrder = orderAfter(Object.values(body.sections), section.section);
  let useOrder: string | null = null;
  const made = groups.flatMap(({ laid, marks, times }, index): VersionStep[] => {
    const lines = laid.map(({ outline: line }) => line);
    const sectionId = makeId();
    const label = numbered(use.label ?? `${section.section.label} (own)`, index, groups.length);
    const { commands, chordIds } = copyLines(lines, { sectionId, exceptionId: null }, makeId);
    const id = index === 0 ? use.id : makeId();
    useOrder ??= use.order;
    if (index > 0) useOrder = orderAfter(Object.values(body.uses), { ...use, order: useOrder });
    const row: Use = { ...use, id, sectionId, order: useOrder, repeat: times };
    const own = { useId: id, sectionId: null, times: "every", round: null, followedBy: null } as const;
    const copied = marks.map(({ exception }) => {
      const chordId = chordIds.get(exception.chordId ?? "") ?? null;
      return add("exceptions", { ...exception, ...own, id: makeId(), chordId });
    });
    const settings = { ...section.section, originId: section.section.id };
    return [
      add("sections", { ...settings, id: sectionId, order: sectionOrder, label }),
      ...commands,
      index === 0
        ? set("uses", use.id, { sectionId, repeat: times })
        : add("uses", { ...row, originId: use.id }),
      ...copied,
      ...Object.values(body.choices).flatMap((choice) => {
        const chordId = chordIds.get(choice.chordId ?? "");
        if (chordId === undefined || (choice.useId !== null && choice.useId !== use.id)) return [];
        return [add("choices", { ...choice, id: makeId(), chordId, useId: choice.useId && id })];
      }),
      ...Object.values(body.choices)
        .filter((choice) => choice.scope === "section" && choice.sectionId === use.sectionId)
        .map((choice) => add("choices", { ...choice, id: makeId(), sectionId })),
    ];
  });
  const old = (outline.exceptions.get(useId) ?? []).flatMap(({ exception }) =>
    removalIn(body, "exceptions", exception.id),
  );
  // What the use before says for when this section follows now waits for the one made of it.
  const before = outline.form[outline.form.findIndex((one) => one.id === useId) - 1];
  const firstMade = made.find((command) => command.type === "add" && command.table === "sections");
  const sectionId = firstMade?.type === "add" ? firstMade.row.id : use.sectionId;
  const waiting = (outline.exceptions.get(before?.id ?? "") ?? []).filter(
    ({ exception }) => exception.followedBy === use.sectionId,
  );
  const named = waiting.flatMap((one) =>
    sayPerRound(
      body,
      outline,
      one,
      (round) => (round === before!.repeat - 1 ? sectionId : use.sectionId),
      makeId,
    ),
  );
  return [...once(old), ...made, ...named];
}

const numbered = (label: string, index: number, of: number): string =>
  (of === 1 ? label : `${label} ${index + 1}`).slice(0, 80);

export function orderAfter(rows: readonly { order: string }[], row: { order: string }): string {
  const later = rows.map((one) => one.order).filter((order) => order > row.order);
  return orderBetween(row.order, later.length === 0 ? null : later.reduce((a, b) => (a < b ? a : b)));
}
