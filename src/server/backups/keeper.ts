import type { Rolled } from "./roll";

export type KeeperOptions = {
  /** Running time, ms. */
  readonly clock: () => number;
  /** How long after one backup the next is made, ms. */
  readonly everyMs: number;
  /** How long ago the newest there is was made, ms; null where there is none. */
  readonly newestAgeMs: number | null;
  /** Something that changes whenever anything is written; null where there is nothing to keep. */
  readonly mark: () => Promise<string | null>;
  readonly roll: () => Promise<Rolled>;
  /** Is told what a person should know: a backup that failed, and documents that could not be brought back. */
  readonly say: (sentence: string) => void;
};

/** After a backup that failed it is tried again so much later, as a share of the time between two. */
const AGAIN = 1 / 12;

/** Keeps a backup every so often while something is written. */
export class Keeper {
  private dueAt: number;
  private mark: string | null = null;
  private rolling: Promise<void> | null = null;
  /** Why the last one failed; null where it did not. */
  problem: string | null = null;

  constructor(private readonly options: KeeperOptions) {
    const { clock, everyMs, newestAgeMs } = options;
    // One that seems to come from tomorrow says nothing: the clock was set back.
    const isFresh = newestAgeMs !== null && newestAgeMs >= 0 && newestAgeMs < everyMs;
    this.dueAt = clock() + (isFresh ? everyMs - newestAgeMs : 0);
  }

  /** Makes one where it is due; asked often. */
  tick(): Promise<void> {
    this.rolling ??= this.work().finally(() => {
      this.rolling = null;
    });
    return this.rolling;
  }

  private async work(): Promise<void> {
    const { clock, everyMs, mark, roll, say } = this.options;
    if (clock() < this.dueAt) return;
    try {
      const now = await mark();
      if (now === null || now === this.mark) return;
      const { doubts } = await roll();
      for (const doubt of doubts) say(`The backup that was kept could not bring this back: ${doubt}.`);
      this.mark = now;
      this.problem = null;
      this.dueAt = clock() + everyMs;
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
      this.dueAt = clock() + everyMs * AGAIN;
      say(`The backup that is kept by itself failed: ${this.problem} The older ones are as they were.`);
    }
  }
}
