import { canDo } from "../../fretboard";
import type { ArrangeCase, ArrangeCell, ArrangeGrid, ArrangePlayer, ArrangeViolation } from "./case";
import { isThere, plays } from "./case";
import { missesBass, pairLaws } from "./costs";
import { risesOf, sumOf } from "./lights";
import { allows, earliestBar, mostLight, mostPlaying } from "./limits";
import { roundBefore } from "./score";

/** From so many different sections, and so many players, a guitar is asked for so many ideas. */
const DIFFERENT_SECTIONS = 5;
export const LEAST_IDEAS = 3;
const FULL_BAND = 3;
/** From so many rounds on not all may be the same. */
const MANY_ROUNDS = 3;

type Say = (law: ArrangeViolation["law"], at: number | null, who: number | null, words: string) => void;

/**
 * The laws an arrangement breaks, by number:
 * 1. bass where it is needed, no part twice, one carries, entries within the use;
 * 2. limits hold;
 * 3. two guitars differ in technique, or by seven semitones of their middles, or are a double on purpose;
 * 4. no fingers beside a strum that covers more than half of them;
 * 5. where the song rises, verses of one energy brighten and the last chorus is the brightest;
 * 6. a section keeps at least half of its ideas from round to round, and three rounds are not all the same;
 * 7. guitars have three ideas each, and somebody waits somewhere;
 * 8. levels, ranges, and what can be sung over.
 * Looks at the cells alone, not at how they were found.
 */
export function lawsBroken(asked: ArrangeCase, grid: ArrangeGrid): ArrangeViolation[] {
  const broken: ArrangeViolation[] = [];
  const say: Say = (law, at, who, words) =>
    broken.push({
      law,
      use: at === null ? null : asked.uses[at]!.id,
      player: who === null ? null : asked.players[who]!.id,
      words,
    });
  for (const [at, cells] of grid.entries()) {
    checkUse(asked, at, cells, say);
    checkLimits(asked, at, cells, say);
    checkRound(asked, grid, at, say);
  }
  checkRounds(asked, grid, say);
  checkRise(asked, grid, say);
  checkVariety(asked, grid, say);
  return broken;
}

function checkUse(asked: ArrangeCase, at: number, cells: readonly ArrangeCell[], say: Say): void {
  const use = asked.uses[at]!;
  const late = cells.every((cell) => cell.role !== "bass" || cell.entryBar > 1 + Math.min(...use.chordBars));
  if (missesBass(use, cells)) say(1, at, null, "nobody has the bass that is needed here");
  else if (use.bass === "needed" && use.chordBars.length > 0 && late)
    say(1, at, null, "the bass comes in after the first chord");
  for (const [who, cell] of cells.entries()) {
    const player = asked.players[who]!;
    for (const [other, beside] of cells.entries()) {
      if (other <= who || isDouble(asked, cell, beside, who, other)) continue;
      for (const law of pairLaws(cell, beside, player, asked.players[other]!))
        say(law, at, who, `${pairWords(law, cell, beside)} ${asked.players[other]!.id}`);
    }
    if (!plays(cell)) continue;
    if (!(cell.entryBar >= 1 && cell.entryBar <= use.bars)) say(1, at, who, "comes in outside the section");
    if (!isWithin(cell, player)) say(8, at, who, "lies outside the range");
    if (!canDo(player.level, cell.needs)) say(8, at, who, "asks for more than the level");
    if (player.sings && use.voice && !cell.singable) say(8, at, who, "leaves no mouth free to sing");
  }
}

function pairWords(law: 1 | 3 | 4, a: ArrangeCell, b: ArrangeCell): string {
  if (law === 4) return "has fingers and strum in one register with";
  if (law === 3) return "is one guitar twice with";
  return a.role === "carry" && b.role === "carry" ? "carries beside" : "plays the same part as";
}

const isDouble = (
  { players }: ArrangeCase,
  a: ArrangeCell,
  b: ArrangeCell,
  one: number,
  other: number,
): boolean => a.double === players[other]!.id || b.double === players[one]!.id;

function isWithin(cell: ArrangeCell, { range, tuning, capo }: ArrangePlayer): boolean {
  if (cell.low === null || cell.high === null) return true;
  const onStrings =
    cell.strings.length === 0 ||
    cell.low >= Math.min(...cell.strings.map((string) => tuning[string]! + capo));
  return cell.low >= range[0] && cell.high <= range[1] && onStrings;
}

function checkLimits(asked: ArrangeCase, at: number, cells: readonly ArrangeCell[], say: Say): void {
  for (const limit of asked.limits)
    for (const [who, cell] of cells.entries())
      if (!allows(asked, limit, at, who, cell)) say(2, at, who, limit.words);
  for (const [who, cell] of cells.entries()) {
    if (!isThere(asked.players[who]!) && plays(cell)) say(2, at, who, "is away and would play");
    if (!plays(cell)) continue;
    if (cell.entryBar < earliestBar(asked, at, who))
      say(2, at, who, "comes in before the bar that was asked for");
    if (cell.light > mostLight(asked, at, who)) say(2, at, who, "is brighter than was asked for");
  }
  const most = mostPlaying(asked, at);
  const playing = cells.filter(plays).length;
  if (most !== null && playing > most) say(2, at, null, `${playing} play where at most ${most} may`);
}

function checkRound(asked: ArrangeCase, grid: ArrangeGrid, at: number, say: Say): void {
  const before = roundBefore(asked.uses, at);
  if (before === null) return;
  const kept = grid[at]!.filter(({ idea }, who) => idea === grid[before]![who]!.idea).length;
  if (2 * kept < asked.players.length)
    say(6, at, null, "loses its face: fewer than half keep what they did in its round before");
}

function checkRounds(asked: ArrangeCase, grid: ArrangeGrid, say: Say): void {
  if (asked.players.length < FULL_BAND) return;
  for (const section of new Set(asked.uses.map((use) => use.section))) {
    const rounds = asked.uses.flatMap((use, at) => (use.section === section ? [at] : []));
    const ideas = rounds.map((at) => JSON.stringify(grid[at]!.map(({ idea }) => idea)));
    if (rounds.length >= MANY_ROUNDS && new Set(ideas).size === 1)
      say(6, rounds.at(-1)!, null, "is the same in every one of its rounds");
  }
}

function checkRise(asked: ArrangeCase, grid: ArrangeGrid, say: Say): void {
  if (asked.arc !== "rising") return;
  const sum = (at: number) =>
    sumOf(
      grid[at]!.map(({ light }) => light),
      grid[at]!,
    );
  for (const { low, high } of risesOf(asked))
    if (low.some((at) => sum(at) >= sum(high))) say(5, high, null, "does not rise above the rounds before");
}

/** Whether guitars are asked for several ideas, and somebody to wait. */
export function wantsVariety({ arc, players, uses }: ArrangeCase): boolean {
  const there = players.filter(isThere);
  return (
    arc !== "steady" &&
    there.length >= FULL_BAND &&
    there.every(({ level }) => level !== "beginner") &&
    new Set(uses.map(({ section }) => section)).size >= DIFFERENT_SECTIONS &&
    there.filter(({ instrument }) => instrument === "guitar").length >= 2
  );
}

const ideasOf = (grid: ArrangeGrid, who: number): ReadonlySet<string> =>
  new Set(grid.flatMap((cells) => (plays(cells[who]!) ? [cells[who]!.idea] : [])));

/** Whether somebody who is there stays out or comes in late somewhere. */
export const somebodyWaits = ({ players }: ArrangeCase, grid: ArrangeGrid): boolean =>
  grid.some((cells) =>
    cells.some((cell, who) => isThere(players[who]!) && (!plays(cell) || cell.entryBar > 1)),
  );

function checkVariety(asked: ArrangeCase, grid: ArrangeGrid, say: Say): void {
  if (!wantsVariety(asked)) return;
  for (const [who, player] of asked.players.entries())
    if (isThere(player) && player.instrument === "guitar" && ideasOf(grid, who).size < LEAST_IDEAS)
      say(7, null, who, `has fewer than ${LEAST_IDEAS} ideas`);
  if (!somebodyWaits(asked, grid)) say(7, null, null, "nobody waits anywhere");
}
