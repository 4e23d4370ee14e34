import type { Blocks } from "./grouping";
import { type Line, plansWithin } from "./labels";
import type { Costs, Planned, Searcher } from "./loop-search";
import { leastWeight, type Weights, wrongTable } from "./prices";

/** What is asked of a plan: the least aim among those that are allowed. */
type Question = {
  /** The aim, weighed so that its second wish only decides equals. Less is better; whole numbers. */
  readonly aim: Weights;
  readonly mostFoot: number;
  readonly mostWrong: number;
  readonly leastFoot: number;
  /** What a press may weigh more, so that the limit of foot cost is felt. */
  readonly slopes: readonly number[];
};

/** Answers a question over all groupings; they grow layer by layer, and a branch that can't better the best is left. */
class Answer {
  isCut = false;
  best: Planned | null = null;
  private aim = Number.MAX_SAFE_INTEGER;

  constructor(
    private readonly searcher: Searcher,
    private readonly question: Question,
  ) {}

  offer(plan: Planned): void {
    const { aim, mostFoot, mostWrong, leastFoot } = this.question;
    if (plan.foot > mostFoot || plan.foot < leastFoot || plan.wrong > mostWrong) return;
    const value = plan.wrong * aim.perWrong + plan.foot * aim.perFoot;
    if (value < this.aim) [this.aim, this.best] = [value, plan];
  }

  /**
   * The least aim a grouping might have. Whoever stays below the limit of foot cost gains by each press saved: the aim
   * with any weight on that saving bounds the aim itself.
   */
  private bound(blocks: Blocks): number {
    const { aim, mostFoot, slopes, mostWrong } = this.question;
    const least = this.searcher.leastWrong(blocks);
    if (least > mostWrong) return Number.POSITIVE_INFINITY;
    let bound = least * aim.perWrong;
    const wrong = wrongTable(this.searcher, blocks);
    for (const slope of [0, ...slopes]) {
      if (bound >= this.aim) break;
      const line = { perWrong: aim.perWrong, perFoot: aim.perFoot + slope };
      bound = Math.max(bound, leastWeight(this.searcher, blocks, wrong, line) - slope * mostFoot);
    }
    return bound;
  }

  private lines(most: number): Line[] {
    const { aim, mostFoot, mostWrong, slopes } = this.question;
    const { perWrong, perFoot } = aim;
    return [
      ...[0, ...slopes].map((slope) => ({
        perWrong,
        perFoot: perFoot + slope,
        most: most + slope * mostFoot,
      })),
      { perWrong: 0, perFoot: 1, most: mostFoot },
      ...(Number.isFinite(mostWrong) ? [{ perWrong: 1, perFoot: 0, most: mostWrong }] : []),
    ];
  }

  /** Looks at one grouping, close to its bound first, then wider. */
  tryGrouping(blocks: Blocks, bound = this.bound(blocks)): void {
    const { aim } = this.question;
    const bar = this.searcher.wanted.perBar * aim.perWrong;
    for (let wider = 0, done = false; !done; wider = wider === 0 ? bar : wider * 3) {
      const most = Math.min(this.aim - 1, Math.ceil(bound) + wider);
      done = most >= this.aim - 1 || most >= Number.MAX_SAFE_INTEGER / 2;
      if (most < bound) return;
      const before = this.best;
      for (const plan of plansWithin(this.searcher, blocks, this.lines(most))) this.offer(plan);
      if (this.best !== before) return;
    }
  }

  search(blocks: Blocks = this.searcher.grouping.none, at = 0): this {
    if (this.searcher.isSpent) {
      this.isCut = true;
      return this;
    }
    const isWhole = at === this.searcher.layers;
    if (isWhole && !this.searcher.grouping.isWhole(blocks)) return this;
    const bound = at > 0 ? this.bound(blocks) : 0;
    if (bound >= this.aim) return this;
    if (isWhole) this.tryGrouping(blocks, bound);
    else for (const next of this.searcher.grouping.next(blocks, at)) this.search(next, at + 1);
    return this;
  }
}

export type Trade = { readonly points: readonly Planned[]; readonly exact: boolean };

/**
 * What a lower foot cost would cost in wrong bars: of the plans that none betters in both figures, the nearest to the
 * optimum, the lowest foot cost, and the least sum among the rest (of equals the nearer to the optimum), dearest foot
 * first. Where there are no more than three these are all of them.
 */
export function tradeOf(searcher: Searcher, best: Planned): Trade {
  if (best.foot === 0) return { points: [], exact: true };
  const { perBar } = searcher.wanted;
  const many = best.foot + 1;
  // More than all wrong bars there can be: a press less counts before any of them.
  const far = 1 + searcher.layers * searcher.wanted.units.reduce((sum, bars) => sum + bars, 0);
  const scale = (wrong: number) => [wrong / 2, wrong, 2 * wrong, 8 * wrong].filter((slope) => slope > 0);
  const ask = (question: Question, ...known: readonly (Planned | null)[]) => {
    const answer = new Answer(searcher, question);
    for (const plan of known) if (plan) answer.offer(plan);
    answer.tryGrouping(best.blocks);
    return answer.search();
  };
  const lowest = ask({
    aim: { perWrong: 1, perFoot: far },
    mostFoot: best.foot - 1,
    mostWrong: Number.POSITIVE_INFINITY,
    leastFoot: 0,
    slopes: [],
  });
  if (!lowest.best) return { points: [], exact: !lowest.isCut };
  const slope = ((lowest.best.wrong - best.wrong) / Math.max(1, best.foot - lowest.best.foot)) * many;
  const nearest = ask(
    {
      aim: { perWrong: many, perFoot: 1 },
      mostFoot: best.foot - 1,
      mostWrong: lowest.best.wrong,
      leastFoot: 0,
      slopes: scale(slope),
    },
    lowest.best,
  );
  const ends = { nearest: nearest.best!, lowest: lowest.best };
  const middle = ask({
    aim: { perWrong: many, perFoot: perBar * many - 1 },
    mostFoot: ends.nearest.foot - 1,
    mostWrong: ends.lowest.wrong - 1,
    leastFoot: ends.lowest.foot + 1,
    slopes: scale(slope),
  });
  const points = [ends.nearest, middle.best, ends.lowest].filter((one) => one !== null);
  return {
    points: points.filter((one, at) => points.findIndex((other) => isSame(one, other)) === at),
    exact: ![lowest, nearest, middle].some(({ isCut }) => isCut),
  };
}

const isSame = (a: Costs, b: Costs): boolean => a.foot === b.foot && a.wrong === b.wrong;
