import type { Bank } from "./bank";

/** A plan up to one section: the banks as far as they are filled, and the one in use. */
export type Step = {
  readonly at: number;
  /** Index in `family` of the bank in use. */
  readonly current: number;
  /** Every bank in use so far, by the order they were begun. */
  readonly family: readonly Bank[];
  readonly cost: number;
  /** How many of the song's tones no bank holds yet. */
  readonly missing: number;
  /** Slots filled in all banks. */
  readonly filled: number;
  /** Cost and the least the rest can cost. */
  readonly total: number;
  readonly before: Step | null;
};
