/** A queue that gives its least member first; of equal ones any. */
export class Heap<Item> {
  readonly #items: Item[] = [];

  constructor(readonly isLess: (a: Item, b: Item) => boolean) {}

  get size(): number {
    return this.#items.length;
  }

  peek(): Item | undefined {
    return this.#items[0];
  }

  push(item: Item): void {
    const items = this.#items;
    let at = items.length;
    items.push(item);
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (!this.isLess(item, items[parent]!)) break;
      items[at] = items[parent]!;
      at = parent;
    }
    items[at] = item;
  }

  pop(): Item | undefined {
    const items = this.#items;
    const first = items[0];
    const last = items.pop();
    if (items.length === 0 || last === undefined) return first;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= items.length) break;
      if (child + 1 < items.length && this.isLess(items[child + 1]!, items[child]!)) child++;
      if (!this.isLess(items[child]!, last)) break;
      items[at] = items[child]!;
      at = child;
    }
    items[at] = last;
    return first;
  }
}
