import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Outcome } from "@/core/plan";
import { onHost } from "../host";

/** The longest an engine may take over HTTP before it is ended, ms. */
const LONGEST_MS = 20_000;

/** The most memory the engine thread may fill, MB; past it the thread ends, and the program goes on. */
const MOST_MEMORY_MB = 1024;

/** The most search steps each engine that counts them may take over HTTP; the command line has no such bound. */
const MOST_STEPS: Readonly<Record<string, number>> = Object.freeze({
  fingerings: 3_000_000,
  "voice-path": 100_000_000,
  planted: 600_000_000,
});

/** The same input with its budget set or lowered to what HTTP allows. */
function withBudget(name: string, input: unknown): unknown {
  const most = MOST_STEPS[name];
  if (most === undefined || typeof input !== "object" || input === null || Array.isArray(input)) return input;
  const { budget } = input as { budget?: unknown };
  if (budget !== undefined && typeof budget !== "number") return input;
  return { ...input, budget: Math.min(budget ?? most, most) };
}

type Answer = { readonly id: number; readonly outcome?: Outcome; readonly failure?: string };
type Waiting = { readonly resolve: (outcome: Outcome) => void; readonly reject: (error: Error) => void };

/** One worker, started when first asked, ended and replaced when a search outlasts its time. */
class EngineThread {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private next = 0;

  run(name: string, input: unknown): Promise<Outcome> {
    const worker = this.start();
    const id = this.next++;
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => this.giveUp(), LONGEST_MS);
      const settle =
        <Value>(end: (value: Value) => void) =>
        (value: Value) => {
          clearTimeout(timer);
          this.waiting.delete(id);
          end(value);
        };
      this.waiting.set(id, { resolve: settle(resolve), reject: settle(reject) });
      worker.postMessage({ id, name, input: withBudget(name, input) });
    });
  }

  private start(): Worker {
    if (this.worker) return this.worker;
    const file = path.join(process.cwd(), "src/server/plan/worker.mjs");
    const worker = new Worker(/* turbopackIgnore: true */ file, {
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
    worker.unref();
    worker.on("message", ({ id, outcome, failure }: Answer) => {
      const waiting = this.waiting.get(id);
      if (outcome) waiting?.resolve(outcome);
      else waiting?.reject(new Error(failure ?? "The engine gave no answer."));
    });
    worker.on("error", (error: Error & { readonly code?: string }) =>
      this.fail(
        error.code === "ERR_WORKER_OUT_OF_MEMORY"
          ? new Error("The search grew too large and was ended. Ask for fewer strings, frets or colours.")
          : error,
      ),
    );
    this.worker = worker;
    return worker;
  }

  private giveUp(): void {
    void this.worker?.terminate();
    this.fail(new Error(`The search took longer than ${LONGEST_MS / 1000} s and was ended.`));
  }

  private fail(error: Error): void {
    this.worker = null;
    for (const { reject } of [...this.waiting.values()]) reject(error);
  }
}

const thread = onHost("engine thread", () => new EngineThread());

/** Runs an engine in the worker thread. */
export function runEngineApart(name: string, input: unknown): Promise<Outcome> {
  return thread().run(name, input);
}
