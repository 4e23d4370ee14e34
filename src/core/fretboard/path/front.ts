/** What an arrangement is worth: `held` and `faith` the more the better, `cost` the less. */
export type Worth = { readonly held: number; readonly faith: number; readonly cost: number };

const SAME = 1e-9;

/** Whether one is at least as good in everything. */
export const covers = (a: Worth, b: Worth): boolean =>
  a.held >= b.held - SAME && a.faith >= b.faith - SAME && a.cost <= b.cost + SAME;

/** Arrangements none of which is covered by another. */
export class Front<Item extends Worth> {
  private list: Item[] = [];

  get items(): readonly Item[] {
    return this.list;
  }

  covered(worth: Worth): boolean {
    for (const one of this.list) if (covers(one, worth)) return true;
    return false;
  }

  /** Takes one in unless it is covered; what it covers goes. */
  add(item: Item): boolean {
    if (this.covered(item)) return false;
    this.list = [...this.list.filter((one) => !covers(item, one)), item];
    return true;
  }
}

const DIMENSIONS = ["held", "cost", "faith"] as const;

/**
 * At most so many of a front: the best in each respect, then again and again the one farthest from those taken,
 * each respect stretched to the front's own extent.
 */
export function spread<Item extends Worth>(front: readonly Item[], most: number): Item[] {
  const taken: Item[] = [];
  const take = (item: Item | undefined) => {
    if (item && !taken.includes(item) && taken.length < most) taken.push(item);
  };
  const best = (order: (a: Item, b: Item) => number) => [...front].sort(order)[0];
  take(best((a, b) => b.held - a.held || a.cost - b.cost || b.faith - a.faith));
  take(best((a, b) => a.cost - b.cost || b.held - a.held || b.faith - a.faith));
  take(best((a, b) => b.faith - a.faith || a.cost - b.cost || b.held - a.held));
  const extents = DIMENSIONS.map((dimension) => {
    const values = front.map((one) => one[dimension]);
    return Math.max(...values) - Math.min(...values) || 1;
  });
  const apart = (a: Item, b: Item) =>
    Math.hypot(...DIMENSIONS.map((dimension, at) => (a[dimension] - b[dimension]) / extents[at]!));
  while (taken.length < Math.min(most, front.length)) {
    const rest = front.filter((one) => !taken.includes(one));
    const distance = (one: Item) => Math.min(...taken.map((other) => apart(one, other)));
    take(rest.reduce((far, one) => (distance(one) > distance(far) + SAME ? one : far)));
  }
  return taken;
}
