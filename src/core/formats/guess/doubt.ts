import type { ChordSheet } from "../sheet";

/** How sure the reading of a song's beats is. */
export type Doubt = {
  /** What was taken, in words. */
  readonly taken: string;
  /** The next likely reading; null where there is none. */
  readonly other: string | null;
  /** 0 where nothing else comes near, 1 where another is as likely. */
  readonly doubt: number;
};

/** Costs this far apart leave no doubt: about what one line of an unusual length costs. */
const NO_DOUBT = 1.6;

/**
 * How doubtful the guessed beats of a sheet are, by what the next reading costs more; null where nothing was guessed.
 * @example doubtOf(sheet)?.doubt // => 0.8
 */
export function doubtOf({ readings }: Pick<ChordSheet, "readings">): Doubt | null {
  const [first, second] = readings;
  if (!first) return null;
  const apart = second ? second.cost - first.cost : NO_DOUBT;
  return {
    taken: first.why,
    other: second?.why ?? null,
    doubt: Math.max(0, Math.min(1, 1 - apart / NO_DOUBT)),
  };
}
