import { bestSets, type SetWidths } from "./best-sets";
import { type Board, BREACH, type Plan } from "./board";
import { plays } from "./case";
import { idleValue, isOneTooMany, SAME_SHARE, singersOf, UNSUNG } from "./costs";
import type { Colour } from "./ideas";
import { mostPlaying } from "./limits";
import type { Picks, SetQuestion } from "./set-table";

export type Widths = SetWidths & {
  /** So many ways to come to a use are followed. */
  readonly ways: number;
};

/** Where a song is: what has been chosen so far, and what of it counts from here on. */
type Way = {
  readonly cost: number;
  readonly picks: Picks;
  readonly before: Way | null;
  /** By section: what was chosen in its last round, how many rounds, and whether any two were unlike. */
  readonly rounds: readonly (Round | null)[];
  /** By player and idea: 0 new, else 1 + the section it is in, SEVERAL for more than one. */
  readonly homes: readonly Int16Array[];
  /** By player: for how many uses they have been out. */
  readonly waited: Uint8Array;
  /** By player: the colours they have had. */
  readonly colours: readonly ReadonlySet<Colour | null>[];
};
type Round = { readonly picks: Picks; readonly count: number; readonly unlike: boolean };

const SEVERAL = -1;
const NO_COLOURS: ReadonlySet<Colour | null> = new Set();

/** Which section each use is, by number. */
export function sectionNumbers({ asked }: Board): { readonly of: readonly number[]; readonly count: number } {
  const known = [...new Set(asked.uses.map(({ section }) => section))];
  return { of: asked.uses.map(({ section }) => known.indexOf(section)), count: known.length };
}

/**
 * Through the song, use by use: for each way to come to a use the best sets there, of these the best ways on. What a set costs
 * depends on the way: what changes for each player, which ideas a section keeps, which are had already, who has waited.
 * @returns the best choice for each use, and whether nothing was left out
 */
export function walk(
  board: Board,
  plan: Plan,
  widths: Widths,
): { readonly picks: readonly Picks[]; readonly cost: number; readonly whole: boolean } {
  const { asked, ideaCounts } = board;
  const sections = sectionNumbers(board);
  let whole = true;
  let ways: readonly Way[] = [
    {
      cost: 0,
      picks: new Int16Array(0),
      before: null,
      rounds: Array.from({ length: sections.count }, () => null),
      homes: ideaCounts.map((count) => new Int16Array(count)),
      waited: new Uint8Array(asked.players.length),
      colours: asked.players.map(() => NO_COLOURS),
    },
  ];
  for (const at of asked.uses.keys()) {
    const section = sections.of[at]!;
    const roundsLeft = sections.of.slice(at + 1).filter((one) => one === section).length;
    const next: Way[] = [];
    for (const way of ways) {
      const found = setsAfter(board, plan, way, at, section, roundsLeft, widths);
      if (!found.whole) whole = false;
      for (const { picks, cost } of found.sets)
        next.push(stepped(board, way, section, picks, way.cost + cost));
    }
    next.sort((a, b) => a.cost - b.cost);
    const live = new Set(sections.of.slice(at + 1));
    const distinct = Number.isFinite(widths.ways) ? dedupe(next, live) : next;
    if (distinct.length < next.length || distinct.length > widths.ways) whole = false;
    ways = distinct.slice(0, widths.ways);
  }
  const [best] = ways;
  const picks: Picks[] = [];
  for (let way: Way | null = best!; way?.before; way = way.before) picks.unshift(way.picks);
  return { picks, cost: best!.cost, whole };
}

/** Of ways that came to the same place for all that counts most, the cheapest. */
function dedupe(ways: readonly Way[], live: ReadonlySet<number>): Way[] {
  const seen = new Set<string>();
  return ways.filter(({ picks, rounds }) => {
    const key = `${picks.join()}|${rounds.map((round, section) => (round && live.has(section) ? round.picks.join() : "")).join("|")}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

function setsAfter(
  board: Board,
  plan: Plan,
  way: Way,
  at: number,
  section: number,
  roundsLeft: number,
  widths: Widths,
): ReturnType<typeof bestSets> {
  const { asked, options, allowed, ideas, changes } = board;
  const { players, weights } = asked;
  const { bars } = asked.uses[at]!;
  const round = way.rounds[section] ?? null;
  const own = players.map((player, who) => {
    const width = options[who]!.length;
    const from = way.before ? way.picks[who]! * width : -1;
    const home = way.homes[who]!;
    const share = SAME_SHARE[player.instrument];
    const idle = weights.idle * idleValue(player, bars, way.waited[who]!);
    return plan.own[at]![who]!.map((alone, place) => {
      const option = allowed[at]![who]![place]!;
      const idea = ideas[who]![option]!;
      const out = !plays(options[who]![option]!);
      const change = from < 0 ? 0 : changes[who]![from + option]!;
      const identity = round && ideas[who]![round.picks[who]!] !== idea ? weights.identity : 0;
      const elsewhere = home[idea] !== 0 && home[idea] !== section + 1;
      const same = !round && !out && elsewhere ? weights.same * share : 0;
      const sounds = isOneTooMany(player, options[who]![option]!, way.colours[who]!) ? weights.sounds : 0;
      return alone + change + identity + same + sounds + (out ? idle : 0);
    });
  });
  const kept = round
    ? players.map((_, who) =>
        Uint8Array.from(allowed[at]![who]!, (option) =>
          Number(ideas[who]![option] === ideas[who]![round.picks[who]!]),
        ),
      )
    : null;
  // From three rounds on they may not all be the same: where all so far are, the last is not.
  const mustVary =
    round !== null && roundsLeft === 0 && round.count >= 2 && !round.unlike && players.length >= 3;
  const question: SetQuestion = {
    ...alone(board, plan, at),
    own,
    kept,
    leastKept: kept ? Math.ceil(players.length / 2) : 0,
    mostKept: mustVary ? players.length - 1 : players.length,
  };
  const found = bestSets(question, widths);
  if (found.sets.length > 0) return found;
  // Limits leave no room for what a section keeps: then that gives, and how many play last.
  const freed = bestSets({ ...question, leastKept: 0, mostKept: players.length }, widths);
  if (freed.sets.length > 0) return { ...freed, whole: false };
  return {
    ...bestSets({ ...question, leastKept: 0, mostKept: players.length, mostPlaying: null }, widths),
    whole: false,
  };
}

/** A use by itself, whatever was before. */
function alone(board: Board, plan: Plan, at: number): SetQuestion {
  const { asked, allowed } = board;
  const { weights } = asked;
  const use = asked.uses[at]!;
  const want = plan.wants[at]!.players;
  const missing = use.bass === "needed" ? use.chordBars.length : 0;
  return {
    board,
    at,
    options: allowed[at]!,
    own: plan.own[at]!,
    kept: null,
    leastKept: 0,
    mostKept: asked.players.length,
    crowd: (playing) => weights.crowd * use.bars * Math.abs(playing - want),
    mostPlaying: mostPlaying(asked, at),
    noCarrier: weights.role * use.bars,
    noLead: use.voice && singersOf(asked).length > 0 ? UNSUNG * weights.role * use.bars : 0,
    noBass: missing > 0 ? BREACH + weights.bass * missing : 0,
  };
}

/**
 * What no arrangement of the school costs less than, its light left out: in each use the best set by itself. Uses that are
 * alike are searched once. Where a search is cut, what its branches began with counts; a use where no set keeps the laws
 * counts nothing.
 */
export function leastCost(board: Board, plan: Plan): number {
  const known = new Map<string, number>();
  return board.asked.uses.reduce((sum, use, at) => {
    const { voice, bars, chordBars, bass } = use;
    const key = [
      JSON.stringify([voice, bars, chordBars.length, bass, plan.wants[at]]),
      ...board.allowed[at]!.map((one) => one.join()),
      ...plan.own[at]!.map((one) => one.join()),
    ].join("|");
    const before = known.get(key);
    if (before !== undefined) return sum + before;
    const { floor } = bestSets(alone(board, plan, at), BOUND_WIDTHS);
    const cost = floor >= BREACH ? 0 : floor;
    known.set(key, cost);
    return sum + cost;
  }, 0);
}
const BOUND_WIDTHS: SetWidths = Object.freeze({ sets: 1, options: Number.POSITIVE_INFINITY, nodes: 1_500 });

function stepped({ options, ideas }: Board, way: Way, section: number, picks: Picks, cost: number): Way {
  const round = way.rounds[section];
  const unlike =
    round !== null &&
    round !== undefined &&
    (round.unlike || picks.some((pick, who) => ideas[who]![pick] !== ideas[who]![round.picks[who]!]));
  const rounds = [...way.rounds];
  rounds[section] = { picks, count: (round?.count ?? 0) + 1, unlike };
  const waited = way.waited.map((uses, who) => (plays(options[who]![picks[who]!]!) ? 0 : uses + 1));
  const homes = way.homes.map((home, who) => {
    const idea = ideas[who]![picks[who]!]!;
    const now = home[idea]!;
    if (now === section + 1 || now === SEVERAL) return home;
    const changed = Int16Array.from(home);
    changed[idea] = now === 0 ? section + 1 : SEVERAL;
    return changed;
  });
  const colours = way.colours.map((had, who) => {
    const { colour } = options[who]![picks[who]!]!;
    return colour === null || had.has(colour) ? had : new Set([...had, colour]);
  });
  return { cost, picks, before: way, rounds, homes, waited, colours };
}
