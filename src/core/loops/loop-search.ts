import { type Blocks, Grouping } from "./grouping";
import type { LoopCase } from "./loop-case";
import { changeCosts } from "./press";
import { leastFootWithin } from "./prices";
import { countBits, type Wanted, wantedOf } from "./wants";
import { soundingBefore } from "./way";

/** Costs of a plan, wrong bars in units of {@link Wanted}. */
export type Costs = { readonly wrong: number; readonly foot: number };

/** A grouping with the blocks that sound in each section, as bits of blocks. */
export type Planned = Costs & { readonly blocks: Blocks; readonly states: readonly number[] };

export type Search = { readonly planned: Planned; readonly exact: boolean; readonly bound: Costs };

/** Steps that every case of the stated range (8 layers, 5 tracks, 60 sections) stays below, and what others get. */
const BUDGET = 200_000_000;
const BUDGET_BEYOND = 40_000_000;
const FAR = 1 << 28;

/** What searching for plans needs to know of a case, read once. */
export class Searcher {
  readonly grouping: Grouping;
  readonly wanted: Wanted;
  readonly layers: number;
  private readonly costs: Uint16Array[] = [];
  /** Scratch: blocks that must sound, and must not, in each section. */
  private readonly must: Uint16Array;
  private readonly mustNot: Uint16Array;
  steps = 0;

  constructor(readonly asked: LoopCase) {
    this.grouping = new Grouping(asked);
    this.wanted = wantedOf(asked);
    this.layers = asked.layers.length;
    this.must = new Uint16Array(asked.sections.length);
    this.mustNot = new Uint16Array(asked.sections.length);
  }

  get budget(): number {
    const { layers, looper, sections, budget } = this.asked;
    const isWithin = layers.length <= 8 && looper.tracks <= 5 && sections.length <= 60;
    return budget ?? (isWithin ? BUDGET : BUDGET_BEYOND);
  }

  get isSpent(): boolean {
    return this.steps > this.budget;
  }

  changeCosts(tracks: number): Uint16Array {
    this.costs[tracks] ??= changeCosts(tracks, this.asked.looper);
    return this.costs[tracks];
  }

  /** What sounds just before the first section. */
  before(tracks: number): number {
    return soundingBefore(this.asked, (1 << tracks) - 1);
  }

  /** The fewest wrong bars of a grouping, in units: each track is on or off as most of it wants. */
  leastWrong(blocks: Blocks): number {
    const { on, off, units, sections } = this.wanted;
    let wrong = 0;
    for (let at = 0; at < sections; at++) {
      let layers = 0;
      for (const block of blocks) layers += Math.min(countBits(on[at]! & block), countBits(off[at]! & block));
      wrong += layers * units[at]!;
    }
    return wrong;
  }

  /** Reads which blocks must sound in each section for the fewest wrong bars there, and which must not. */
  private readRight(blocks: Blocks): void {
    const { on, off, sections } = this.wanted;
    for (let at = 0; at < sections; at++) {
      let must = 0;
      let mustNot = 0;
      for (let index = 0; index < blocks.length; index++) {
        const ifSilent = countBits(on[at]! & blocks[index]!);
        const ifSounding = countBits(off[at]! & blocks[index]!);
        if (ifSounding < ifSilent) must |= 1 << index;
        else if (ifSounding > ifSilent) mustNot |= 1 << index;
      }
      this.must[at] = must;
      this.mustNot[at] = mustNot;
    }
  }

  /** Whether a state makes the fewest wrong bars of a section, for the grouping read last. */
  private readonly isRight = (at: number, state: number): boolean =>
    (state & this.must[at]!) === this.must[at] && (state & this.mustNot[at]!) === 0;

  /** The right states of a section: of equals, what is wanted rather sounds; then in list order. */
  private rightStates(blocks: Blocks, at: number): number[] {
    const silent = (state: number) =>
      blocks.reduce(
        (sum, block, index) => sum + (state & (1 << index) ? 0 : countBits(this.wanted.on[at]! & block)),
        0,
      );
    return Array.from({ length: 1 << blocks.length }, (_, state) => state)
      .filter((state) => this.isRight(at, state))
      .sort((a, b) => silent(a) - silent(b) || a - b);
  }

  /**
   * The least foot cost of a grouping among plans with its fewest wrong bars.
   * @param most a cost from which on the exact figure no longer matters
   */
  leastFoot(blocks: Blocks, most = FAR): number {
    this.readRight(blocks);
    return leastFootWithin(this, 1 << blocks.length, this.isRight, most);
  }

  /** The states of a plan of least foot cost; of equals the first in the order of {@link rightStates}, section by section. */
  statesOf(blocks: Blocks): number[] {
    const width = 1 << blocks.length;
    const costs = this.changeCosts(blocks.length);
    this.readRight(blocks);
    const choices = Array.from({ length: this.wanted.sections }, (_, at) => this.rightStates(blocks, at));
    const toGo: number[][] = [];
    let after: { readonly states: readonly number[]; readonly left: readonly number[] } = {
      states: [0],
      left: [0],
    };
    for (let at = choices.length - 1; at >= 0; at--) {
      toGo[at] = choices[at]!.map((state) =>
        after.states.reduce(
          (best, to, index) => Math.min(best, costs[state * width + to]! + after.left[index]!),
          FAR,
        ),
      );
      after = { states: choices[at]!, left: toGo[at]! };
    }
    let state = this.before(blocks.length);
    return choices.map((states, at) => {
      let best = 0;
      const total = (index: number) => costs[state * width + states[index]!]! + toGo[at]![index]!;
      for (let index = 1; index < states.length; index++) if (total(index) < total(best)) best = index;
      state = states[best]!;
      return state;
    });
  }

  /** The fewest wrong bars of any grouping; found only, not proven, when the budget ends first. */
  private fewestWrong(first: Blocks): { readonly wrong: number; readonly isProven: boolean } {
    let best = this.leastWrong(first);
    let isProven = true;
    const seek = (blocks: Blocks, at: number): void => {
      if (best === 0) return;
      if (this.isSpent) {
        isProven = false;
        return;
      }
      this.steps += this.wanted.sections;
      if (at > 0 && this.leastWrong(blocks) >= best) return;
      if (at === this.layers) {
        if (this.grouping.isWhole(blocks)) best = this.leastWrong(blocks);
        return;
      }
      for (const next of this.grouping.next(blocks, at)) seek(next, at + 1);
    };
    seek([], 0);
    return { wrong: best, isProven: isProven || best === 0 };
  }

  /**
   * The best plan: fewest wrong bars, then least foot cost, then fewest tracks, then list order.
   *
   * Layers are added one by one. A grouping of some of them makes no more wrong bars than any that grows from it, and
   * where it already makes as many as the best, no less foot cost: leaving layers out of a plan only takes presses
   * away. So branches that can't win are left. `first` is any grouping there is.
   */
  best(first: Blocks): Search {
    const { wrong, isProven } = this.fewestWrong(first);
    let best: { blocks: Blocks; foot: number } | null = null;
    let least = FAR;
    let isCut = false;
    const seek = (blocks: Blocks, at: number): void => {
      const own = this.leastWrong(blocks);
      if (own > wrong) return;
      if (this.isSpent) {
        isCut = true;
        least = Math.min(least, own === wrong ? this.leastFoot(blocks) : 0);
        return;
      }
      const isWhole = at === this.layers;
      if (isWhole && !this.grouping.isWhole(blocks)) return;
      if (own === wrong) {
        const most = best === null ? FAR : best.foot + 1;
        const foot = this.leastFoot(blocks, most);
        const isBetter =
          best === null || foot < best.foot || (foot === best.foot && blocks.length < best.blocks.length);
        if (!isBetter) return;
        if (isWhole) best = { blocks, foot };
      }
      if (!isWhole) for (const next of this.grouping.next(blocks, at)) seek(next, at + 1);
    };
    seek([], 0);
    const found = best as { blocks: Blocks; foot: number } | null;
    const blocks = found?.blocks ?? first;
    const costs = { wrong: this.leastWrong(blocks), foot: found?.foot ?? this.leastFoot(blocks) };
    const exact = isProven && !isCut;
    const bound = { wrong: isProven ? wrong : 0, foot: isProven ? Math.min(least, costs.foot) : 0 };
    return { planned: { ...costs, blocks, states: this.statesOf(blocks) }, exact, bound };
  }
}
