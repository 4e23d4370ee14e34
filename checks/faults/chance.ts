/** Numbers that come by chance, and the same again from the same seed (mulberry32, from memory). */
export class Chance {
  constructor(private state: number) {}

  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  }

  /** A whole number from 0 up to `count`. */
  below(count: number): number {
    return Math.floor(this.next() * count);
  }

  /** A list in another order. */
  shuffled<Value>(list: readonly Value[]): Value[] {
    const left = [...list];
    return list.map(() => left.splice(this.below(left.length), 1)[0]!);
  }
}
