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

/** A gate for tries by address; addresses that have been quiet are forgotten. */
export class SlowDown {
  private readonly byAddress = new Map<string, Guesses>();
  private recent: number[] = [];

  /** How long an address must wait, ms; 0 when it may try now. */
  wait(address: string, now: number): number {
    this.recent = this.recent.filter((at) => now - at < 60_000);
    const shared = this.recent.length >= MOST_A_MINUTE ? 60_000 - (now - this.recent[0]!) : 0;
    return Math.max(shared, waitOf(this.byAddress.get(address) ?? NO_GUESSES, now));
  }

  wrong(address: string, now: number): void {
    this.recent.push(now);
    for (const [known, { last }] of this.byAddress) if (now - last > FORGET_MS) this.byAddress.delete(known);
    this.byAddress.set(address, guessedWrong(this.byAddress.get(address) ?? NO_GUESSES, now));
  }

  right(address: string): void {
    this.byAddress.delete(address);
  }
}
