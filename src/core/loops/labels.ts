import type { Blocks } from "./grouping";
import type { Costs, Planned, Searcher } from "./loop-search";
import { type Weights, weightsToGo, wrongTable } from "./prices";

/** A line through the plane of both figures: how a plan weighs by it, and the most it may weigh. */
export type Line = Weights & { readonly most: number };

/** A part of a plan: its figures so far, and the state it has come to. */
type Label = Costs & { readonly state: number; readonly from: Label | null };

/** Of labels in one state, those that none betters in both figures. */
function undominated(labels: Label[]): Label[] {
  if (labels.length < 2) return labels;
  labels.sort((a, b) => a.foot - b.foot || a.wrong - b.wrong);
  const kept: Label[] = [];
  for (const label of labels) if (kept.length === 0 || label.wrong < kept.at(-1)!.wrong) kept.push(label);
  return kept;
}

/**
 * The plans of one grouping that keep to every line and that no other plan of it betters in both figures.
 *
 * A part of a plan is left when another that ends in the same state betters it in both figures, or when some line can't
 * be kept any more whatever comes: what comes at least is known for each line from the end backwards.
 */
export function plansWithin(searcher: Searcher, blocks: Blocks, lines: readonly Line[]): Planned[] {
  const states = 1 << blocks.length;
  const costs = searcher.changeCosts(blocks);
  const wrong = wrongTable(searcher, blocks);
  const toGo = lines.map((line) => weightsToGo(searcher, blocks, wrong, line));
  const keeps = (foot: number, bars: number, place: number): boolean => {
    for (let index = 0; index < lines.length; index++) {
      const { perWrong, perFoot, most } = lines[index]!;
      if (bars * perWrong + foot * perFoot + toGo[index]![place]! > most) return false;
    }
    return true;
  };
  let here: Label[] = [{ foot: 0, wrong: 0, state: searcher.before(blocks), from: null }];
  for (let at = 0; at < searcher.wanted.sections; at++) {
    const reached = Array.from({ length: states }, (): Label[] => []);
    for (const label of here)
      for (let state = 0; state < states; state++) {
        const foot = label.foot + costs[label.state * states + state]!;
        const bars = label.wrong + wrong[at * states + state]!;
        if (keeps(foot, bars, (at + 1) * states + state))
          reached[state]!.push({ foot, wrong: bars, state, from: label });
      }
    searcher.steps += here.length * states;
    here = reached.flatMap(undominated);
  }
  const last = here.map((label): Label => ({ ...label, foot: label.foot + costs[label.state * states]! }));
  return undominated(last).map((label) => ({
    blocks,
    foot: label.foot,
    wrong: label.wrong,
    states: statesOf(label),
  }));
}

function statesOf(last: Label): number[] {
  const states: number[] = [];
  for (let label: Label = last; label.from; label = label.from) states.push(label.state);
  return states.reverse();
}
