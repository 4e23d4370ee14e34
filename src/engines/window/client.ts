import { QueryClient } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";
import type { Result } from "@/base";
import type { AnswerOf, EngineName, ProblemOf, QuestionOf } from "..";
import { Pool, ThreadDied, TIMERS } from "../threads";
import { Numbering } from "./question-key";
import { startWorker } from "./start-worker";

/** One for what is long, one for what is short. */
const THREADS = 2;
/** How long a search that nobody waits for may still run: most end before, and a worker need not be started anew. */
const GRACE_MS = 250;
/** How long an answer that no screen shows is remembered. */
const REMEMBERED_MS = 10 * 60_000;

let pool: Pool | null = null;
const threads = (): Pool => {
  pool ??= new Pool({ start: startWorker, timers: TIMERS, threads: THREADS, graceMs: GRACE_MS });
  return pool;
};

const numbers = new Numbering();

/** What a question is remembered under. */
export const keyOf = (engine: EngineName, question: object): string => `${engine} ${numbers.of(question)}`;

/** How far a search is, 0 to 1, and what it has found so far, where it tells. */
export type Progress = { readonly share: number; readonly soFar: unknown };

/** How far searches are that tell it, by their keys. */
export const progress = createStore<ReadonlyMap<string, Progress>>(() => new Map());

function tellProgress(key: string, share: number, soFar: unknown): void {
  const known = progress.getState();
  progress.setState(new Map(known).set(key, { share, soFar: soFar ?? known.get(key)?.soFar }), true);
}

function endProgress(key: string): void {
  const rest = new Map(progress.getState());
  if (rest.delete(key)) progress.setState(rest, true);
}

/**
 * Answers by question, for the whole window. The same question has the same answer for good; an error is not remembered:
 * whoever asks again has it tried again. A dead worker is replaced, and what it was asked is asked once more.
 */
export const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: REMEMBERED_MS,
      networkMode: "always",
      retry: (failures, error) => error instanceof ThreadDied && failures < 1,
      retryDelay: 0,
      structuralSharing: false,
      queryKeyHashFn: (key) => key.join(" "),
    },
  },
});

/** A question as the library of answers takes it. */
export function queryOf<Name extends EngineName>(engine: Name, question: QuestionOf<Name> & object) {
  const key = keyOf(engine, question);
  return {
    queryKey: [key],
    queryFn: async ({ signal }: { signal: AbortSignal }) => {
      try {
        const onProgress = (done: number, of: number, soFar?: unknown) => tellProgress(key, done / of, soFar);
        const answer = await threads().ask({ engine, question }, { signal, onProgress });
        const result = answer as Result<AnswerOf<Name>, ProblemOf<Name>>;
        if (result.ok && typeof result.value === "object" && result.value) numbers.mark(result.value);
        return result;
      } finally {
        endProgress(key);
      }
    },
  };
}
