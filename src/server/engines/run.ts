import path from "node:path";
import { Worker } from "node:worker_threads";
import { wrap } from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import type { Weighed } from "@/core/practice";
import type { VersionBody } from "@/core/song/schema";
import type { Outcome } from "@/engines";
import { Pool, type Thread, TIMERS } from "@/engines/threads";
import { diedOf } from "../died-of";
import { onHost } from "../host";
import type { EngineThread } from "./thread";
import { WEIGHS } from "./weighs";

const THREADS = 2;
/** What each request may have of a thread at first while others wait, ms. */
const SHARE_MS = 1000;
/** The longest an engine may work over HTTP before it is ended, ms. */
const LONGEST_MS = 20_000;
const MOST_WAITING = 64;
/** The most memory a thread may fill, MB; past it the thread ends, and the program goes on. */
const MOST_MEMORY_MB = 1024;

/** Where the build puts `thread.ts`. */
const file = () => path.join(process.cwd(), "build", "engine-thread.mjs");

const GONE = {
  tooLarge: "The search grew too large and was ended. Ask for fewer strings, frets or colours.",
  ended: "The search ended without an answer. Ask again.",
};

function startThread(): Thread {
  const worker = new Worker(/* turbopackIgnore: true */ file(), {
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  worker.unref();
  const remote = wrap<EngineThread>(nodeEndpoint(worker));
  const died = diedOf(worker, GONE);
  return { ask: (job) => remote.ask(job), died, end: () => void worker.terminate() };
}

const pool = onHost(
  "engine threads",
  () =>
    new Pool({
      start: startThread,
      timers: TIMERS,
      threads: THREADS,
      shareMs: SHARE_MS,
      longestMs: LONGEST_MS,
      mostWaiting: MOST_WAITING,
    }),
);

/** Weighs a version off the main thread. Rejects, with a sentence, when it can't be worked out here. */
export async function weighApart(body: VersionBody): Promise<Weighed> {
  const outcome = (await pool().ask({ engine: WEIGHS, question: body }, {})) as Outcome;
  if (!outcome.ok) throw new Error(outcome.error.message);
  return outcome.result as Weighed;
}

/** Runs an engine off the main thread. Rejects, with a sentence, when it can't be worked out here. */
export const runEngineApart = async (name: string, input: unknown, signal?: AbortSignal): Promise<Outcome> =>
  (await pool().ask({ engine: name, question: input }, { signal })) as Outcome;
