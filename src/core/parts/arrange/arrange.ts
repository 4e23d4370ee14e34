import { scoreOf } from "../split";
import { type Board, boardOf, type Plan, planOf } from "./board";
import {
  ARRANGE_SCHOOLS,
  type ArrangeCase,
  type ArrangeCell,
  type ArrangeGrid,
  type Arrangement,
  type ArrangeSchool,
  plays,
} from "./case";
import { pairLaws } from "./costs";
import { enter } from "./entries";
import { freshen } from "./freshen";
import { lawsBroken } from "./laws";
import { type Overs, oversOf } from "./layers";
import { lightsOf } from "./lights";
import { isHere } from "./limits";
import { schoolFits } from "./schools";
import { arrangeTerms } from "./score";
import type { Picks } from "./set-table";
import { leastCost, type Widths, walk } from "./walk";

/** How wide a search goes. Ours: what a song of forty uses and six players is found with in a second. */
const ARRANGE_WIDTHS: Widths = Object.freeze({ ways: 6, sets: 4, options: 18, nodes: 1_500 });
/** A search that leaves nothing out. */
export const WHOLE_SEARCH: Widths = Object.freeze({
  ways: Number.POSITIVE_INFINITY,
  sets: Number.POSITIVE_INFINITY,
  options: Number.POSITIVE_INFINITY,
  nodes: Number.POSITIVE_INFINITY,
});

/** At least so many proposals, for any band. */
const LEAST_PROPOSALS = 3;

/** What a proposal of a school pays, for a bar, where it does what an earlier one of that school does. */
const AGAIN = 0.5;

/** Schools that the band fits, of those asked for; all where none is named. */
export const schoolsFor = (asked: ArrangeCase, named: readonly ArrangeSchool[] | null): ArrangeSchool[] => {
  const fitting = (named ?? ARRANGE_SCHOOLS).filter((school) => schoolFits(school, asked));
  return fitting.length > 0 ? fitting : [...(named ?? []), ...ARRANGE_SCHOOLS].slice(0, 1);
};

/**
 * Arrangements of a song for its players, best first: one of each school the band fits, and more of them that do otherwise
 * where fewer than three are asked for.
 * @param hear told each one as it is found
 */
export function arrange(
  asked: ArrangeCase,
  named: readonly ArrangeSchool[] | null = null,
  {
    widths = ARRANGE_WIDTHS,
    hear,
  }: { widths?: Widths; hear?: (found: Arrangement, of: number) => void } = {},
): Arrangement[] {
  const board = boardOf(asked);
  const schools = schoolsFor(asked, named);
  const many = Math.max(LEAST_PROPOSALS, schools.length);
  const found: Arrangement[] = [];
  for (let turn = 0; found.length < many; turn++) {
    const school = schools[turn % schools.length]!;
    const earlier = found.filter((one) => one.school === school);
    const one = arrangeBy(board, school, widths, earlier);
    found.push(one);
    hear?.(one, many);
  }
  return found.sort((a, b) => a.violations.length - b.violations.length || a.score - b.score);
}

/** One arrangement by a school, unlike earlier ones of it. */
export function arrangeBy(
  board: Board,
  school: ArrangeSchool,
  widths: Widths = ARRANGE_WIDTHS,
  earlier: readonly Arrangement[] = [],
): Arrangement {
  const { asked } = board;
  const avoided = (at: number, who: number, cell: ArrangeCell): number =>
    plays(cell)
      ? AGAIN *
        asked.uses[at]!.bars *
        earlier.filter(({ cells }) => cells[at]![who]!.idea === cell.idea).length
      : 0;
  const own = planOf(board, school);
  const plan: Plan = earlier.length > 0 ? planOf(board, school, avoided) : own;
  const walked = walk(board, plan, widths);
  const fresh = freshen(board, plan, walked.picks);
  const overs = school === "one guitar and loops" ? oversOf(board, plan, fresh) : null;
  const isWhole = walked.whole && earlier.length === 0 && fresh === walked.picks;
  const cells = finished(board, fresh, overs);
  const terms = arrangeTerms(asked, school, cells);
  const score = scoreOf(terms);
  return {
    school,
    cells,
    terms,
    score,
    // A search that left nothing out has the least cost before the light is set: with light as wanted, none scores less.
    exact: isWhole && score <= walked.cost + 1e-9,
    bound: Math.min(score, isWhole ? walked.cost : leastCost(board, own)),
    violations: lawsBroken(asked, cells),
  };
}

/** Picks as cells with light, bars of entry, and doubles where a leader holds two to the same idea. */
function finished({ asked, options }: Board, picks: readonly Picks[], overs: Overs | null): ArrangeGrid {
  const chosen = picks.map((own) => asked.players.map((_, who) => options[who]![own[who]!]!));
  const entered = enter(asked, chosen);
  const lights = lightsOf(asked, entered);
  return entered.map((cells, at) =>
    cells.map((cell, who) =>
      plays(cell)
        ? {
            ...cell,
            light: lights[at]![who]!,
            ...doubled(asked, at, cells, who),
            ...playedOver(overs?.[at]?.[who] ?? null, options[who]!, lights[at]![who]!),
          }
        : cell,
    ),
  );
}

const playedOver = (
  over: number | null,
  options: readonly ArrangeCell[],
  light: number,
): { readonly over?: ArrangeCell } => (over === null ? {} : { over: { ...options[over]!, light } });

/** Two whom the leader's locks hold to one idea double each other on purpose. */
function doubled(
  asked: ArrangeCase,
  at: number,
  cells: readonly ArrangeCell[],
  who: number,
): { readonly double?: string } {
  const isLocked = (one: number) =>
    asked.limits.some(
      (limit) =>
        limit.rule === "lock" && (limit.player === null || limit.player === one) && isHere(limit, at),
    );
  if (!isLocked(who)) return {};
  const other = cells.findIndex(
    (cell, one) =>
      one < who &&
      isLocked(one) &&
      cell.idea === cells[who]!.idea &&
      pairLaws(cell, cells[who]!, asked.players[one]!, asked.players[who]!).some((law) => law !== 4),
  );
  return other >= 0 ? { double: asked.players[other]!.id } : {};
}
