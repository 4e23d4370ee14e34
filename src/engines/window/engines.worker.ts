import { expose } from "comlink";
import type { Result } from "@/base";
import { budgetAt, ENGINES, type Told } from "..";
import type { Job } from "../threads";

/** Whether a lock is held as long as this worker lives, so that the window notices when it doesn't. */
const alive = new Promise<boolean>((settle) => {
  if (!navigator.locks) return settle(false);
  void navigator.locks.request(self.name, () => {
    settle(true);
    return new Promise(() => {});
  });
});
/** The window hears of it before the first search begins: a search holds everything else up. */
const watched = alive.then(() => new Promise((settle) => setTimeout(settle)));

const worker = {
  /** Whether the lock of the worker's name is held; false where there are no locks. */
  isAlive: () => alive,
  ask: async ({ engine, question }: Job, onProgress: Told): Promise<Result<unknown, unknown>> => {
    await watched;
    const known = ENGINES.find(({ name }) => name === engine);
    if (!known) throw new Error(`There is no engine ${JSON.stringify(engine)}.`);
    const { steps, compute } = known;
    // Whoever asks by an engine's name asks its question: `QuestionOf` says so to the compiler.
    return compute(question as never, {
      budget: steps ? budgetAt("window", steps) : undefined,
      onProgress,
    });
  },
};

export type EnginesWorker = typeof worker;

expose(worker);
