/** How guesses from one address, and from all together, have gone lately. Times are ms. */
export type Guesses = {
  readonly wrong: number;
  /** Nothing is tried before. */
  readonly until: number;
  readonly last: number;
};

export const NO_GUESSES: Guesses = Object.freeze({ wrong: 0, until: 0, last: 0 });

/** So many wrong codes are free: a code is typed by thumb in the dark. */
export const FREE_GUESSES = 4;
const FIRST_WAIT_MS = 2000;
const LONGEST_WAIT_MS = 5 * 60_000;
/** After so long without a try all is forgotten. */
const FORGET_MS = 30 * 60_000;

/** How long must still be waited before the next try, ms. */
export const waitOf = (guesses: Guesses, now: number): number => Math.max(0, guesses.until - now);

/** After a wrong code: from the fifth on the wait doubles each time. @example guessedWrong(NO_GUESSES, 0).until // => 0 */
export function guessedWrong(guesses: Guesses, now: number): Guesses {
  const wrong = now - guesses.last > FORGET_MS ? 1 : guesses.wrong + 1;
  const over = wrong - FREE_GUESSES;
  const wait = over <= 0 ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(over - 1, 20));
  return { wrong, until: now + wait, last: now };
}

/** Wrong codes of all addresses within a minute after which everybody waits: many addresses guess together. */
const MOST_A_MINUTE = 60;

/**
 * A gate for tries by address; addresses that have been quiet are forgotten. A try counts as wrong before it is judged, and
 * tries of one address are judged one after another: many sent at once are no more than as many sent in turn.
 */
export class SlowDown {
  private readonly byAddress = new Map<string, Guesses>();
  private readonly turns = new Map<string, Promise<unknown>>();
  private recent: number[] = [];

  /** @param isHere tells this machine's own addresses: whoever sits at it does not wait for others */
  constructor(private readonly isHere: (address: string) => boolean = () => false) {}

  /** How long an address must wait, ms; 0 when it may try now. */
  wait(address: string, now: number): number {
    this.recent = this.recent.filter((at) => now - at < 60_000);
    const isShared = this.recent.length >= MOST_A_MINUTE && !this.isHere(address);
    const shared = isShared ? 60_000 - (now - this.recent[0]!) : 0;
    return Math.max(shared, waitOf(this.byAddress.get(address) ?? NO_GUESSES, now));
  }

  /**
   * Lets an address try once its earlier tries are judged.
   * @param judge gives what a right try is worth; nothing (false, null) for a wrong one
   * @param clock ms
   * @returns what it was worth, or how long must be waited first, ms: it was not judged then
   */
  try<Verdict>(
    address: string,
    judge: () => Promise<Verdict>,
    clock: () => number,
  ): Promise<{ readonly right: Verdict } | { readonly wait: number }> {
    const before = this.turns.get(address) ?? Promise.resolve();
    const turn = before.then(async () => {
      const now = clock();
      const wait = this.wait(address, now);
      if (wait > 0) return { wait };
      this.wrong(address, now);
      const right = await judge();
      if (right) this.forget(address, now);
      return { right };
    });
    const settled = turn
      .catch(() => {})
      .then(() => {
        if (this.turns.get(address) === settled) this.turns.delete(address);
      });
    this.turns.set(address, settled);
    return turn;
  }

  private forget(address: string, triedAt: number): void {
    this.byAddress.delete(address);
    const at = this.recent.indexOf(triedAt);
    if (at >= 0) this.recent.splice(at, 1);
  }

  private wrong(address: string, now: number): void {
    this.recent.push(now);
    for (const [known, { last }] of this.byAddress) if (now - last > FORGET_MS) this.byAddress.delete(known);
    this.byAddress.set(address, guessedWrong(this.byAddress.get(address) ?? NO_GUESSES, now));
  }
}
