import { type Board, BREACH, type Plan } from "./board";
import { isThere, plays } from "./case";
import { pairLaws, pairValues, weigh } from "./costs";
import { moreWith } from "./freshen";
import type { Picks } from "./set-table";
import { sectionNumbers } from "./walk";

/** What is played over what goes round, by use and player: an option of theirs; null where nothing goes round. */
export type Overs = readonly (readonly (number | null)[])[];

/**
 * Where somebody has a looper, what they play the first time through a section goes round the next times, and they play another
 * idea over it: the one that costs least beside the layer and the others. A bass that is needed is played and not left to a
 * loop.
 */
export function oversOf(board: Board, plan: Plan, picks: readonly Picks[]): Overs {
  const { asked, options } = board;
  const sections = sectionNumbers(board);
  const overs: (number | null)[][] = asked.uses.map(() => asked.players.map(() => null));
  for (const [who, player] of asked.players.entries()) {
    if (!isThere(player) || !player.loops || player.tuning.length === 0) continue;
    for (let section = 0; section < sections.count; section++) {
      const [first, ...later] = picks.flatMap((_, at) => (sections.of[at] === section ? [at] : []));
      const layer = first === undefined ? 0 : picks[first]![who]!;
      const again = later.filter((at) => picks[at]![who] === layer);
      const under = options[who]![layer]!;
      if (!plays(under) || under.role === "bass" || again.length === 0) continue;
      const over = bestOver(board, plan, picks, again, who, layer);
      for (const at of again) overs[at]![who] = over;
    }
  }
  return overs;
}

/** The option that costs least over a layer in all of some uses; null where none is allowed in all of them. */
function bestOver(
  board: Board,
  plan: Plan,
  picks: readonly Picks[],
  uses: readonly number[],
  who: number,
  layer: number,
): number | null {
  const { asked, options, ideas } = board;
  const player = asked.players[who]!;
  const under = options[who]![layer]!;
  let best: { readonly option: number; readonly cost: number } | null = null;
  for (const [option, cell] of options[who]!.entries()) {
    if (!plays(cell) || ideas[who]![option] === ideas[who]![layer]) continue;
    // The layer carries on with its role: a bass, or a second one who carries, would be one too many.
    if (cell.role === "bass" || pairLaws(cell, { ...under, role: "support" }, player, player).length > 0)
      continue;
    const beside = weigh(pairValues(cell, under, player, player), asked.weights);
    const cost = uses.reduce(
      (sum, at) => sum + moreWith(board, plan, picks, at, who, option) + beside * asked.uses[at]!.bars,
      0,
    );
    if (cost < BREACH && (!best || cost < best.cost)) best = { option, cost };
  }
  return best?.option ?? null;
}
