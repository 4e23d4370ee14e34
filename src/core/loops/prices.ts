import type { Blocks } from "./grouping";
import type { LoopCase } from "./loop-case";
import { LATE_START, LATE_STOP, PRESS_COST } from "./press";
import { countBits, type Wanted } from "./wants";

/** What is asked of a case that is being searched; its steps are counted here. */
export type Priced = {
  readonly asked: LoopCase;
  readonly wanted: Wanted;
  steps: number;
  /** The state that sounds before the song. */
  before(blocks: Blocks): number;
  /** What changes between states cost, `from * states + to`; null where all pedals are plain. */
  pricedChanges(blocks: Blocks): Uint16Array | null;
};

/** What both figures of a plan weigh. */
export type Weights = { readonly perWrong: number; readonly perFoot: number };

/** The wrong bars of a grouping in units, `section * states + state`. */
export function wrongTable(searcher: Priced, blocks: Blocks): Float64Array {
  const { on, off, units, sections } = searcher.wanted;
  const states = 1 << blocks.length;
  const table = new Float64Array(sections * states);
  for (let at = 0; at < sections; at++) {
    const base = at * states;
    for (let index = 0; index < blocks.length; index++) {
      const silent = countBits(on[at]! & blocks[index]!) * units[at]!;
      const sounding = countBits(off[at]! & blocks[index]!) * units[at]!;
      const bit = 1 << index;
      // States below `bit` are done for the blocks before: each gets its twin with this block sounding.
      for (let state = 0; state < bit; state++) {
        table[base + bit + state] = table[base + state]! + sounding;
        table[base + state]! += silent;
      }
    }
  }
  return table;
}

const SCRATCH = { after: new Float64Array(256), late: new Float64Array(256) };

/** Takes least weights over one boundary backwards, in place, by a table of what every change costs. */
function overPriced(searcher: Priced, costs: Uint16Array, weights: Float64Array, perFoot: number): void {
  const states = Math.sqrt(costs.length);
  const { late: next } = SCRATCH;
  for (let from = 0; from < states; from++) {
    let best = Number.POSITIVE_INFINITY;
    for (let to = 0; to < states; to++)
      best = Math.min(best, weights[to]! + costs[from * states + to]! * perFoot);
    next[from] = best;
  }
  for (let state = 0; state < states; state++) weights[state] = next[state]!;
  searcher.steps += costs.length;
}

/**
 * Takes least weights over one boundary backwards, in place: late presses are taken off track by track, then the one
 * that is never late.
 */
function overPlain(searcher: Priced, states: number, weights: Float64Array, perFoot: number): void {
  const { allStart, allStop, quantised, toggleAll = false } = searcher.asked.looper;
  const { late } = SCRATCH;
  const one = PRESS_COST * perFoot;
  const start = one + (quantised ? 0 : LATE_START * perFoot);
  const stop = one + (quantised ? 0 : LATE_STOP * perFoot);
  const all = states - 1;
  for (let state = 0; state < states; state++) late[state] = weights[state]!;
  for (let bit = 1; bit < states; bit <<= 1)
    for (let state = 0; state < states; state++) {
      if (state & bit) continue;
      const silent = late[state]!;
      const sounding = late[state | bit]!;
      if (sounding + start < silent) late[state] = sounding + start;
      if (silent + stop < sounding) late[state | bit] = silent + stop;
    }
  // One pedal for both lets all in from silence, to which late presses may lead.
  if (toggleAll && allStart && late[all]! + start < late[0]!) {
    late[0] = late[all]! + start;
    for (let bit = 1; bit < states; bit <<= 1)
      for (let state = bit; state < states; state++)
        if (state & bit && late[state ^ bit]! + stop < late[state]!) late[state] = late[state ^ bit]! + stop;
  }
  for (let state = 0; state < states; state++) {
    let best = weights[state]!;
    for (let bit = 1; bit < states; bit <<= 1)
      if (late[state ^ bit]! + one < best) best = late[state ^ bit]! + one;
    if (allStart && state !== all && (!toggleAll || state === 0) && late[all]! + one < best)
      best = late[all]! + one;
    if (allStop && state !== 0 && late[0]! + one < best) best = late[0]! + one;
    weights[state] = best;
  }
}

/** How least weights are taken over each boundary of a grouping. */
function boundaryOf(searcher: Priced, blocks: Blocks) {
  const costs = searcher.pricedChanges(blocks);
  const states = 1 << blocks.length;
  return (weights: Float64Array, perFoot: number): void =>
    costs ? overPriced(searcher, costs, weights, perFoot) : overPlain(searcher, states, weights, perFoot);
}

/**
 * The least foot cost of a grouping when only some states are allowed in each section.
 * @param isAllowed by section and state
 * @param most a cost from which on the exact figure no longer matters
 */
export function leastFootWithin(
  searcher: Priced,
  blocks: Blocks,
  isAllowed: (section: number, state: number) => boolean,
  most: number,
): number {
  const { after } = SCRATCH;
  const states = 1 << blocks.length;
  const over = boundaryOf(searcher, blocks);
  after.fill(Number.POSITIVE_INFINITY, 0, states);
  after[0] = 0;
  for (let at = searcher.wanted.sections - 1; at >= 0; at--) {
    over(after, 1);
    let least = Number.POSITIVE_INFINITY;
    for (let state = 0; state < states; state++) {
      if (!isAllowed(at, state)) after[state] = Number.POSITIVE_INFINITY;
      else if (after[state]! < least) least = after[state]!;
    }
    searcher.steps += states;
    if (least >= most) return least;
  }
  over(after, 1);
  return after[searcher.before(blocks)]!;
}

/** Least weights still to come, section by section from the end; `told` hears of those after each boundary. */
function backwards(
  searcher: Priced,
  blocks: Blocks,
  wrong: Float64Array,
  { perWrong, perFoot }: Weights,
  told: (at: number, weights: Float64Array) => void,
): void {
  const { after } = SCRATCH;
  const states = 1 << blocks.length;
  const over = boundaryOf(searcher, blocks);
  after.fill(Number.POSITIVE_INFINITY, 0, states);
  after[0] = 0;
  for (let at = searcher.wanted.sections; at >= 0; at--) {
    over(after, perFoot);
    searcher.steps += states;
    told(at, after);
    if (at === 0) return;
    const base = (at - 1) * states;
    for (let state = 0; state < states; state++) after[state]! += wrong[base + state]! * perWrong;
  }
}

/**
 * The least weight still to come, `boundary * states + state`. Boundary 0 stands before the first section: there the
 * state is the one before the song; at boundary `n` section `n - 1` is behind, and its wrong bars are not counted.
 */
export function weightsToGo(
  searcher: Priced,
  blocks: Blocks,
  wrong: Float64Array,
  weights: Weights,
): Float64Array {
  const states = 1 << blocks.length;
  const found = new Float64Array((searcher.wanted.sections + 1) * states);
  backwards(searcher, blocks, wrong, weights, (at, own) => found.set(own.subarray(0, states), at * states));
  return found;
}

/** The least that any plan of a grouping can weigh. */
export function leastWeight(searcher: Priced, blocks: Blocks, wrong: Float64Array, weights: Weights): number {
  backwards(searcher, blocks, wrong, weights, () => {});
  return SCRATCH.after[searcher.before(blocks)]!;
}
