import path from "node:path";
import { Worker } from "node:worker_threads";
import { type AskOptions, Pool, type Thread, TIMERS } from "@/engines/threads";
import { diedOf } from "../died-of";
import { host, onHost } from "../host";
import { announce } from "../live";
import type { Store } from "../store";
import type { FromWork, SentAnswer, SentRequest, ToWork } from "./job";

/** One for what is long, one for what is short. */
const THREADS = 2;
const MOST_WAITING = 64;
/** The longest anything may take, ms: nobody waits longer for a file. */
const LONGEST_MS = 10 * 60_000;
/** The most memory a thread may fill, MB; past it the thread ends, and the program goes on. */
const MOST_MEMORY_MB = 4096;

/** Where the build puts `thread.ts`. */
const file = () => path.join(process.cwd(), "build", "work-thread.mjs");

const GONE = {
  tooLarge: "It holds more than can be read here.",
  ended: "The thread that worked on it ended.",
};

type Waiting = {
  readonly resolve: (answer: SentAnswer) => void;
  readonly reject: (error: Error) => void;
  readonly onProgress: (done: number, of: number) => void;
};

function startThread(store: Store): Thread {
  const line = store.connect();
  const worker = new Worker(/* turbopackIgnore: true */ file(), {
    workerData: { line },
    transferList: [line],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  worker.unref();
  const died = diedOf(worker, GONE);
  const waiting = new Map<number, Waiting>();
  let asked = 0;
  worker.on("message", (told: FromWork) => {
    if (told.type === "edit") return announce(told.documentId, told.edit);
    const own = waiting.get(told.id);
    if (told.type === "progress") return own?.onProgress(told.done, told.of);
    waiting.delete(told.id);
    if (told.type === "answer") own?.resolve(told.answer);
    else own?.reject(new Error(told.reason));
  });
  return {
    ask: ({ engine, question }, onProgress) =>
      new Promise((resolve, reject) => {
        const request = question as SentRequest;
        const id = ++asked;
        waiting.set(id, { resolve, reject, onProgress });
        const sent: ToWork = { id, endpoint: engine, request };
        worker.postMessage(
          sent,
          (request.body ?? []).map(({ buffer }) => buffer),
        );
      }),
    died,
    end: () => void worker.terminate(),
  };
}

const pool = onHost(
  "work threads",
  () =>
    new Pool({
      start: () => startThread(host().store!),
      timers: TIMERS,
      threads: THREADS,
      longestMs: LONGEST_MS,
      mostWaiting: MOST_WAITING,
    }),
);

/** Whether there are threads here: a database that lives in this one can't be asked from another. */
export const hasThreads = (): boolean => host().store !== null;

/**
 * Has a request answered in a thread apart. Rejects when the thread is gone before it has answered; what it had not
 * finished is taken back then.
 */
export const answerApart = async (
  endpoint: string,
  request: SentRequest,
  options: AskOptions,
): Promise<SentAnswer> => (await pool().ask({ engine: endpoint, question: request }, options)) as SentAnswer;
