/** Costs nearer than this are one. */
const SAME = 1e-9;

/**
 * The cheapest way through one of each layer, by dynamic programming; of equal ones the one met first.
 * @param own what one costs by itself
 * @param step what going from one to one of the next layer costs
 * @example cheapestWay([[1, 5], [4]], () => 0, (from, to) => Math.abs(to - from)) // => { way: [5, 4], cost: 1 }
 */
export function cheapestWay<One>(
  layers: readonly (readonly One[])[],
  own: (one: One) => number,
  step: (from: One, to: One) => number,
): { readonly way: readonly One[]; readonly cost: number } {
  const [first, ...others] = layers;
  if (!first) return { way: [], cost: 0 };
  let costs = first.map(own);
  let before = first;
  const froms: number[][] = [];
  for (const layer of others) {
    const from: number[] = [];
    const last = { costs, before };
    costs = layer.map((to, at) => {
      let best = Number.POSITIVE_INFINITY;
      for (const [place, one] of last.before.entries()) {
        const cost = last.costs[place]! + step(one, to);
        if (cost < best - SAME) [best, from[at]] = [cost, place];
      }
      return best + own(to);
    });
    froms.push(from);
    before = layer;
  }
  let at = costs.reduce((least, cost, index) => (cost < costs[least]! - SAME ? index : least), 0);
  const cost = costs[at]!;
  const way = [layers.at(-1)![at]!];
  for (let index = layers.length - 2; index >= 0; index--) {
    at = froms[index]![at]!;
    way.unshift(layers[index]![at]!);
  }
  return { way, cost };
}
