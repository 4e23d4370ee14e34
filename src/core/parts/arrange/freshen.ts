import { type Board, BREACH, type Plan, pairKey } from "./board";
import { isThere, plays } from "./case";
import { LEAST_IDEAS, wantsVariety } from "./laws";
import { mostPlaying } from "./limits";
import type { Picks } from "./set-table";
import { sectionNumbers } from "./walk";

/**
 * Gives everybody something to do: who would play nowhere, and where three ideas are asked of each guitar, a guitar that has
 * fewer, gets another one, in the rounds of a section where that costs least and the section keeps its face.
 * @returns the very same picks where nothing had to be done
 */
export function freshen(board: Board, plan: Plan, picks: readonly Picks[]): readonly Picks[] {
  const { asked } = board;
  const various = wantsVariety(asked);
  let fresh = picks;
  for (const [who, player] of asked.players.entries()) {
    if (!isThere(player) || player.instrument === "voice") continue;
    const least = various && player.instrument === "guitar" ? LEAST_IDEAS : 1;
    for (let missing = least; missing > 0 && ideasAt(board, fresh, who).size < least; missing--)
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
  for (let section = 0; section < sections.count; section++)
    for (const rounds of roundsFor(board, sections.of, picks, section, who)) {
      // What is given up has to be had elsewhere too, or nothing is won.
      const lost = new Set(rounds.map((at) => ideas[who]![picks[at]![who]!]!));
      const times = (idea: number) => rounds.filter((at) => ideas[who]![picks[at]![who]!] === idea).length;
      if (![...lost].every((idea) => !had.has(idea) || had.get(idea)! > times(idea))) continue;
      for (const [option, cell] of options[who]!.entries()) {
        if (!plays(cell) || had.has(ideas[who]![option]!)) continue;
        const cost = rounds.reduce((sum, at) => sum + moreWith(board, plan, picks, at, who, option), 0);
        if (cost >= BREACH || (best && cost >= best.cost)) continue;
        const changed = picks.map((own, at) => (rounds.includes(at) ? own.with(who, option) : own));
        if (keepsFace(board, sections.of, changed, section)) best = { picks: changed, cost };
      }
    }
  return best?.picks ?? picks;
}

/** The rounds of a section that could have another idea: those played; where none is, all of them, or the last few. */
function roundsFor(
  { options }: Board,
  sections: readonly number[],
  picks: readonly Picks[],
  section: number,
  who: number,
): number[][] {
  const all = picks.flatMap((_, at) => (sections[at] === section ? [at] : []));
  const heard = all.filter((at) => plays(options[who]![picks[at]![who]!]!));
  return heard.length > 0 ? [heard] : all.map((_, from) => all.slice(from));
}

/** Whether each round of a section keeps at least half of the ideas of the round before, and three are not all the same. */
function keepsFace(
  { asked, ideas }: Board,
  sections: readonly number[],
  picks: readonly Picks[],
  section: number,
): boolean {
  const rounds = picks.filter((_, at) => sections[at] === section);
  const kept = rounds
    .slice(1)
    .map(
      (own, at) =>
        [...own].filter((pick, who) => ideas[who]![pick] === ideas[who]![rounds[at]![who]!]).length,
    );
  const { length } = asked.players;
  return (
    kept.every((count) => 2 * count >= length) &&
    !(kept.length >= 2 && length >= 3 && kept.every((count) => count === length))
  );
}

/** What a use costs more where a player takes another option; a breach where it is not allowed, or the bass is lost. */
export function moreWith(
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
  const most = mostPlaying(asked, at);
  const playing = [...picks[at]!].filter((pick, other) => plays(options[other]![pick]!)).length;
  if (!plays(was) && most !== null && playing >= most) return BREACH;
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
