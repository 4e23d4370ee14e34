import { proxy, wrap } from "comlink";
import type { Thread } from "../threads";
import type { EnginesWorker } from "./engines.worker";

/** Starts a worker with the engines in it. Its death is noticed by its error, or by the lock it no longer holds. */
export function startWorker(): Thread {
  const name = `lantern-engines-${performance.timeOrigin}-${Math.random()}`;
  const worker = new Worker(new URL("./engines.worker.ts", import.meta.url), { type: "module", name });
  const remote = wrap<EnginesWorker>(worker);
  const died = new Promise<Error>((resolve) => {
    worker.addEventListener("error", (event) =>
      resolve(new Error(event.message || "The searches did not load.")),
    );
    void remote.isAlive().then((isWatched) => {
      if (isWatched)
        void navigator.locks.request(name, () => resolve(new Error("The search was ended from outside.")));
    });
  });
  return {
    died,
    ask: (job, onProgress) => remote.ask(job, proxy(onProgress)),
    end: () => worker.terminate(),
  };
}
