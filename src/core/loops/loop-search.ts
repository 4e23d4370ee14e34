import { pricedCosts } from "./cheapest-presses";
import { type Blocks, Grouping } from "./grouping";
import type { LoopCase } from "./loop-case";
import { changeCosts } from "./presses-between";
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
  private readonly costs = new Map<string, Uint16Array>();
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

  /** What every change between the states of a grouping costs; of part of one at least that. */
  changeCosts(blocks: Blocks): Uint16Array {
    const { looper } = this.asked;
    const used = this.grouping.used(blocks);
    const isPart = !this.grouping.isFull(blocks);
    const key = `${blocks.length} ${used} ${isPart}`;
    const known =
      this.costs.get(key) ??
      (looper.prices ? pricedCosts(blocks.length, used, looper, isPart) : changeCosts(blocks.length, looper));
    this.costs.set(key, known);
    return known;
  }

  /** The same where it has to be looked up: plain pedals are reckoned with directly. */
  pricedChanges(blocks: Blocks): Uint16Array | null {
    return this.asked.looper.prices ? this.changeCosts(blocks) : null;
  }

  /** What sounds just before the first section. */
  before(blocks: Blocks): number {
    return soundingBefore(this.asked, this.grouping.used(blocks));
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
        else if (ifSounding > ifSilent || blocks[index] === 0) mustNot |= 1 << index;
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
    return leastFootWithin(this, blocks, this.isRight, most);
  }

  /** The states of a plan of least foot cost; of equals the first in the order of {@link rightStates}, section by section. */
  statesOf(blocks: Blocks): number[] {
    const width = 1 << blocks.length;
    const costs = this.changeCosts(blocks);
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
    let state = this.before(blocks);
    return choices.map((states, at) => {
      let best = 0;
      const total = (index: number) => costs[state * width + states[index]!]! + toGo[at]![index]!;
      for (let index = 1; index < states.length; index++) if (total(index) < total(best)) best = index;
      state = states[best]!;
      return state;
    });
  }

  private tracksIn(blocks: Blocks): number {
    return countBits(this.grouping.used(blocks));
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
    seek(this.grouping.none, 0);
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
          best === null ||
          foot < best.foot ||
          (foot === best.foot && this.tracksIn(blocks) < this.tracksIn(best.blocks));
        if (!isBetter) return;
        if (isWhole) best = { blocks, foot };
      }
      if (!isWhole) for (const next of this.grouping.next(blocks, at)) seek(next, at + 1);
    };
    seek(this.grouping.none, 0);
    const found = best as { blocks: Blocks; foot: number } | null;
    const blocks = found?.blocks ?? first;
    const costs = { wrong: this.leastWrong(blocks), foot: found?.foot ?? this.leastFoot(blocks) };
    const exact = isProven && !isCut;
    const bound = { wrong: isProven ? wrong : 0, foot: isProven ? Math.min(least, costs.foot) : 0 };
    return { planned: { ...costs, blocks, states: this.statesOf(blocks) }, exact, bound };
  }
}
