import type { Worker } from "node:worker_threads";

/** What is said of a thread that is gone. */
export type Gone = {
  /** It filled more memory than it may. */
  readonly tooLarge: string;
  /** It ended by itself. */
  readonly ended: string;
};

/** Settles with the reason once a thread is gone. */
export const diedOf = (worker: Worker, gone: Gone): Promise<Error> =>
  new Promise((resolve) => {
    worker.on("error", (error: Error & { readonly code?: string }) =>
      resolve(error.code === "ERR_WORKER_OUT_OF_MEMORY" ? new Error(gone.tooLarge) : error),
    );
    worker.on("exit", () => resolve(new Error(gone.ended)));
  });
