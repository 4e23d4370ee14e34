/**
 * A bank while a plan is sought: the tones in it, the one it opens on once that is settled, and the slots of those whose
 * slot matters. Equal banks are one object, so that a set of banks can be written as a list of numbers.
 */
export type Bank = {
  readonly index: number;
  readonly tones: ReadonlySet<number>;
  /** The tone it opens on; null while nothing depends on it. */
  readonly landing: number | null;
  /** The tone in each slot that is settled. */
  readonly slots: readonly (number | null)[];
  /** Its place in the list where pins give it one. */
  readonly place: number | null;
};

/** Makes banks, each different one once. */
export class Banks {
  readonly all: Bank[] = [];
  readonly #known = new Map<string, Bank>();
  readonly #with = new Map<number, Bank>();

  constructor(
    readonly slotsPerBank: number,
    /** Numbers of tones are below this. */
    readonly tones: number,
  ) {}

  of(fields: Omit<Bank, "index">): Bank {
    const held = [...fields.tones].sort((a, b) => a - b).join(" ");
    const code = `${held}|${fields.landing ?? ""}|${fields.slots.join(",")}|${fields.place ?? ""}`;
    const known = this.#known.get(code);
    if (known) return known;
    const made: Bank = { ...fields, index: this.all.length };
    this.all.push(made);
    this.#known.set(code, made);
    return made;
  }

  empty(place: number | null): Bank {
    return this.of({
      tones: new Set(),
      landing: null,
      slots: new Array<null>(this.slotsPerBank).fill(null),
      place,
    });
  }

  hasRoom(bank: Bank): boolean {
    return bank.tones.size < this.slotsPerBank;
  }

  withTone(bank: Bank, tone: number): Bank {
    if (bank.tones.has(tone)) return bank;
    const key = bank.index * this.tones + tone;
    const known = this.#with.get(key);
    if (known) return known;
    const made = this.of({ ...bank, tones: new Set([...bank.tones, tone]) });
    this.#with.set(key, made);
    return made;
  }

  withLanding(bank: Bank, tone: number): Bank {
    return bank.landing === tone ? bank : this.of({ ...bank, landing: tone });
  }

  withSlot(bank: Bank, tone: number, slot: number): Bank {
    return bank.slots[slot] === tone ? bank : this.of({ ...bank, slots: bank.slots.with(slot, tone) });
  }
}
