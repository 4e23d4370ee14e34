/** What an arrangement is worth: `held` and `faith` the more the better, `cost` the less. */
export type Worth = { readonly held: number; readonly faith: number; readonly cost: number };

const SAME = 1e-9;

/** Whether one is at least as good in everything. */
export const covers = (a: Worth, b: Worth): boolean =>
  a.held >= b.held - SAME && a.faith >= b.faith - SAME && a.cost <= b.cost + SAME;

/**
 * Arrangements none of which is covered by another. What is covered is looked up in a table of the least cost for at
 * least so much held and so much faith, so that a search may ask a million times.
 */
export class Front<Item extends Worth> {
  private list: Item[] = [];
  /** The faiths on the front, rising. */
  private faiths: number[] = [];
  /** By held changes and place among {@link faiths}: the least cost of any item with as much of both. */
  private least: Float64Array[] = [];

  get items(): readonly Item[] {
    return this.list;
  }

  /** @param worth `held` counts whole changes */
  covered({ held, faith, cost }: Worth): boolean {
    let at = 0;
    while (at < this.faiths.length && this.faiths[at]! < faith - SAME) at++;
    const row = this.least[Math.max(0, held)];
    return row !== undefined && at < this.faiths.length && row[at]! <= cost + SAME;
  }

  /** Takes one in unless it is covered; what it covers goes. */
  add(item: Item): boolean {
    if (this.covered(item)) return false;
    this.list = this.list.filter((one) => !covers(item, one));
    this.list.push(item);
    if (!this.faiths.some((faith) => Math.abs(faith - item.faith) <= SAME)) this.widen(item.faith);
    while (this.least.length <= item.held)
      this.least.push(new Float64Array(this.faiths.length).fill(Number.POSITIVE_INFINITY));
    for (let held = 0; held <= item.held; held++) {
      const row = this.least[held]!;
      for (let at = 0; at < row.length && this.faiths[at]! <= item.faith + SAME; at++)
        if (item.cost < row[at]!) row[at] = item.cost;
    }
    return true;
  }

  /** Makes a column for a faith not met before: what has more faith has as much, too. */
  private widen(faith: number): void {
    const found = this.faiths.findIndex((one) => one > faith);
    const at = found < 0 ? this.faiths.length : found;
    this.faiths = this.faiths.toSpliced(at, 0, faith);
    this.least = this.least.map((row) => {
      const wider = new Float64Array(row.length + 1);
      wider.set(row.subarray(0, at));
      wider[at] = row[at] ?? Number.POSITIVE_INFINITY;
      wider.set(row.subarray(at), at + 1);
      return wider;
    });
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
