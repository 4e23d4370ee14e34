import type { ToneCost } from "./sound-case";

/**
 * The five figures as one number, so that comparing numbers compares the figures in their order. Each figure stays below
 * the radix: a section is at most one change, three presses, one bank and one slot; pins add banks and slots.
 */
export type Radix = {
  readonly exposed: number;
  readonly bankChanges: number;
  readonly press: number;
  readonly bank: number;
  readonly slot: number;
};

/** @param sections how many sections a case has @param pins how many slots are taken beforehand */
export function radixOf(sections: number, pins: number): Radix {
  const slot = 1;
  const bank = slot * (sections + pins + 1);
  const press = bank * (sections + pins + 1);
  const bankChanges = press * (3 * sections + 1);
  return { slot, bank, press, bankChanges, exposed: bankChanges * (sections + 1) };
}

export const packCost = (cost: ToneCost, radix: Radix): number =>
  cost.exposed * radix.exposed +
  cost.bankChanges * radix.bankChanges +
  cost.presses * radix.press +
  cost.bankCount * radix.bank +
  cost.filled * radix.slot;

/** @example unpackCost(packCost(cost, radix), radix) // => cost */
export function unpackCost(packed: number, radix: Radix): ToneCost {
  let rest = packed;
  const take = (worth: number): number => {
    const count = Math.floor(rest / worth);
    rest -= count * worth;
    return count;
  };
  return {
    exposed: take(radix.exposed),
    bankChanges: take(radix.bankChanges),
    presses: take(radix.press),
    bankCount: take(radix.bank),
    filled: take(radix.slot),
  };
}

/** Less than 0 when `a` is the better plan. */
export function compareCosts(a: ToneCost, b: ToneCost): number {
  return (
    a.exposed - b.exposed ||
    a.bankChanges - b.bankChanges ||
    a.presses - b.presses ||
    a.bankCount - b.bankCount ||
    a.filled - b.filled
  );
}
