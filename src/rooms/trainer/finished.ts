import type { DuePress, MadePress } from "@/core/loops";

/** A judged run that is over. */
export type Finished = {
  /** How many presses of the plan come before the first one that was due: the run began later. */
  readonly skipped: number;
  readonly due: readonly DuePress[];
  readonly made: readonly MadePress[];
  /** Whether the plan was played from its beginning to its end. */
  readonly isWhole: boolean;
};
