import { parentPort } from "node:worker_threads";
import { register } from "tsx/esm/api";

/** Runs engines off the main thread, so that a long search never holds up live events. */
register();
const { runEngine } = await import("../../core/plan/index.ts");

parentPort.on("message", ({ id, name, input }) => {
  try {
    parentPort.postMessage({ id, outcome: runEngine(name, input) });
  } catch (error) {
    parentPort.postMessage({ id, failure: error instanceof Error ? error.message : String(error) });
  }
});
