/**
 * Questions as numbers: two that say the same have the same one. Whatever stands in a question is numbered once, so of a
 * song in which one row has changed only that row, its table and the song are looked at again. Nothing in a question may
 * be changed afterwards.
 */
export class Numbering {
  private readonly ofObject = new WeakMap<object, number>();
  private ofText = new Map<string, number>();
  private next = 0;

  /** @param most how many texts are remembered; past them like questions may get another number, never unlike ones the same */
  constructor(private readonly most = 20_000) {}

  /** @example numbers.of({ capo: 2 }) === numbers.of({ capo: 2 }) // => true */
  of(value: unknown): string {
    if (typeof value !== "object" || value === null)
      return typeof value === "string" ? JSON.stringify(value) : String(value);
    return `#${this.ofObject.get(value) ?? this.number(value)}`;
  }

  /** Lets an object be only like itself: what is large and stays the same object need not be read. */
  mark(value: object): void {
    if (!this.ofObject.has(value)) this.ofObject.set(value, this.next++);
  }

  private number(value: object): number {
    const text = this.write(value);
    const number = this.ofText.get(text) ?? this.next++;
    if (this.ofText.size >= this.most) this.ofText = new Map();
    this.ofText.set(text, number);
    this.ofObject.set(value, number);
    return number;
  }

  private write(value: object): string {
    if (Array.isArray(value)) return `[${value.map((one) => this.of(one)).join()}]`;
    if (value instanceof Map) return `map ${this.pairs([...value])}`;
    if (value instanceof Set) return `set ${[...value].map((one) => this.of(one)).join()}`;
    if (Object.getPrototypeOf(value) !== Object.prototype && Object.getPrototypeOf(value) !== null)
      // A thing of another kind is only like itself.
      return `thing ${this.next}`;
    return this.pairs(
      Object.entries(value)
        .filter(([, field]) => field !== undefined)
        .sort(([a], [b]) => (a < b ? -1 : 1)),
    );
  }

  private pairs(pairs: readonly (readonly [unknown, unknown])[]): string {
    return pairs.map(([key, field]) => `${this.of(key)}:${this.of(field)}`).join();
  }
}
