import type { Picks } from "./best-sets";
import { type Board, BREACH, type Plan, pairKey } from "./board";
import { isThere, plays } from "./case";
import { LEAST_IDEAS, wantsVariety } from "./laws";
import { sectionNumbers } from "./walk";

/**
 * Gives a guitar that has fewer than three ideas another one, in all rounds of the section where that costs least, so that
 * sections keep their faces; nothing where three are not asked for.
 * @returns the very same picks where nothing had to be done
 */
export function freshen(board: Board, plan: Plan, picks: readonly Picks[]): readonly Picks[] {
  const { asked } = board;
  if (!wantsVariety(asked)) return picks;
  let fresh = picks;
  for (const [who, player] of asked.players.entries()) {
    if (!isThere(player) || player.instrument !== "guitar") continue;
    for (let missing = LEAST_IDEAS; missing > 0 && ideasAt(board, fresh, who).size < LEAST_IDEAS; missing--)
      fresh = withAnother(board, plan, fresh, who);
  }
  return fresh;
}

/** The ideas of a player, by number. */
const ideasAt = ({ options, ideas }: Board, picks: readonly Picks[], who: number): Map<number, number> => {
  const times = new Map<number, number>();
  for (const own of picks) {
    const option = own[who]!;
    if (!plays(options[who]![option]!)) continue;
    const idea = ideas[who]![option]!;
    times.set(idea, (times.get(idea) ?? 0) + 1);
  }
  return times;
};

function withAnother(board: Board, plan: Plan, picks: readonly Picks[], who: number): readonly Picks[] {
  const { options, ideas } = board;
  const sections = sectionNumbers(board);
  const had = ideasAt(board, picks, who);
  let best: { readonly picks: readonly Picks[]; readonly cost: number } | null = null;
  for (let section = 0; section < sections.count; section++) {
    // Where they play, or where they play in none of the rounds, in all: either way each round keeps what it kept.
    const all = picks.flatMap((_, at) => (sections.of[at] === section ? [at] : []));
    const heard = all.filter((at) => plays(options[who]![picks[at]![who]!]!));
    const rounds = heard.length > 0 ? heard : all;
    // What is given up has to be had elsewhere too, or nothing is won.
    const lost = new Set(rounds.map((at) => ideas[who]![picks[at]![who]!]!));
    const stays = [...lost].every(
      (idea) =>
        !had.has(idea) ||
        had.get(idea)! > rounds.filter((at) => ideas[who]![picks[at]![who]!] === idea).length,
    );
    if (!stays) continue;
    for (const [option, cell] of options[who]!.entries()) {
      if (!plays(cell) || had.has(ideas[who]![option]!)) continue;
      const cost = rounds.reduce((sum, at) => sum + moreWith(board, plan, picks, at, who, option), 0);
      if (cost >= BREACH || (best && cost >= best.cost)) continue;
      const changed = picks.map((own, at) => (rounds.includes(at) ? own.with(who, option) : own));
      best = { picks: changed, cost };
    }
  }
  return best?.picks ?? picks;
}

/** What a use costs more where a player takes another option; a breach where it is not allowed, or the bass is lost. */
function moreWith(
  board: Board,
  plan: Plan,
  picks: readonly Picks[],
  at: number,
  who: number,
  option: number,
): number {
  const { asked, allowed, options } = board;
  const before = picks[at]![who]!;
  const place = (one: number) => allowed[at]![who]!.indexOf(one);
  if (place(option) < 0) return BREACH;
  const [was, is] = [options[who]![before]!, options[who]![option]!];
  if ((was.role === "bass") !== (is.role === "bass")) return BREACH;
  const own = plan.own[at]![who]!;
  const alone = own[place(option)]! - own[place(before)]!;
  return asked.players.reduce((sum, _, other) => {
    if (other === who) return sum;
    return sum + beside(board, at, who, option, other, picks) - beside(board, at, who, before, other, picks);
  }, alone);
}

function beside(
  board: Board,
  at: number,
  who: number,
  option: number,
  other: number,
  picks: readonly Picks[],
): number {
  const [first, second] = who < other ? [who, other] : [other, who];
  const { eachBar, once } = board.pairs.get(pairKey(first, second))!;
  const theirs = picks[at]![other]!;
  const width = board.options[second]!.length;
  const key = who < other ? option * width + theirs : theirs * width + option;
  return eachBar[key]! * board.asked.uses[at]!.bars + once[key]!;
}
