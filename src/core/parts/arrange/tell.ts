import { type ArrangeCase, type ArrangeCell, type Arrangement, isThere, plays } from "./case";
import { ideaOf } from "./ideas";
import { schoolWords } from "./schools";
import { roundBefore } from "./score";

/** How players and uses are called. */
export type ArrangeNames = {
  readonly player: (who: number) => string;
  readonly use: (at: number) => string;
};

/** So many places where somebody comes in are named. */
const NAMED = 3;

/**
 * An arrangement in one sentence: its school, who begins, who comes in where, and where most play.
 * @example tellArrangement(asked, found, names) // => "Few at a time …: maren begins; tobin comes in at verse 2; all play in chorus 3."
 */
export function tellArrangement(
  asked: ArrangeCase,
  { school, cells }: Pick<Arrangement, "school" | "cells">,
  { player, use }: ArrangeNames,
): string {
  const there = asked.players.flatMap((one, who) => (isThere(one) ? [who] : []));
  const firstOf = (who: number) => cells.findIndex((row) => plays(row[who]!));
  const begin = there.filter((who) => firstOf(who) === 0);
  const entrances = [...new Set(there.map(firstOf))].filter((at) => at > 0).sort((a, b) => a - b);
  const playing = cells.map((row) => row.filter(plays).length);
  const most = Math.max(...playing);
  const fullest = playing.lastIndexOf(most);
  const parts = [
    ...(begin.length > 0 ? [`${listed(begin.map(player))} ${begin.length === 1 ? "begins" : "begin"}`] : []),
    ...entrances.slice(0, NAMED).map((at) => {
      const who = there.filter((one) => firstOf(one) === at);
      return `${listed(who.map(player))} ${who.length === 1 ? "comes" : "come"} in at ${use(at)}`;
    }),
    ...(most > begin.length
      ? [`${most === there.length ? "everybody plays" : `${most} play`} in ${use(fullest)}`]
      : []),
  ];
  const words = schoolWords(school);
  return `${words[0]!.toUpperCase()}${words.slice(1)}${parts.length > 0 ? `. ${parts.join("; ")}.` : "."}`;
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;

/** What a cell is, short: its idea, and the bar it comes in. @example tellIdea(cell) // => "octaves that take root or third, from bar 5" */
export function tellIdea({ idea, entryBar }: Pick<ArrangeCell, "idea" | "entryBar">): string {
  const words = ideaOf(idea)?.words ?? "waits";
  return entryBar > 1 ? `${words}, from bar ${entryBar}` : words;
}

/** Why a player does what they do in a use: the idea, what it leaves to others, and whether it is as in the round before. */
export function tellCell(asked: ArrangeCase, cells: Arrangement["cells"], at: number, who: number): string {
  const cell = cells[at]![who]!;
  if (!isThere(asked.players[who]!)) return "away";
  const before = roundBefore(asked.uses, at);
  const kept = before !== null && cells[before]![who]!.idea === cell.idea;
  const idea = plays(cell) ? ideaOf(cell.idea) : null;
  if (!idea) {
    const others = cells[at]!.filter(plays).length;
    return `waits, so that ${others === 1 ? "one plays" : `${others} play`}${kept ? ", as in the round before" : ""}`;
  }
  return [
    idea.words,
    `leaves ${idea.frees} to others`,
    ...(cell.over ? [`goes round, and over it ${ideaOf(cell.over.idea)?.words ?? cell.over.idea}`] : []),
    ...(cell.entryBar > 1 ? [`comes in at bar ${cell.entryBar}`] : []),
    ...(kept ? ["as in the round before"] : before !== null ? ["new in this round"] : []),
  ].join("; ");
}
