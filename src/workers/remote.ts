import { type Remote, wrap } from "comlink";
import type { Engines } from "./engines.worker";

/** Starts a worker with the engines in it. */
export const newWorker = (): Worker =>
  new Worker(new URL("./engines.worker.ts", import.meta.url), { type: "module" });

let remote: Remote<Engines> | null = null;

/** The engines in a worker of their own, started when first asked. */
export function engines(): Remote<Engines> {
  remote ??= wrap<Engines>(newWorker());
  return remote;
}

/** Answers by question; the oldest go when there are too many. */
export function remembered<Question, Answer>(
  keyOf: (question: Question) => string,
  ask: (question: Question) => Promise<Answer>,
) {
  const known = new Map<string, Promise<Answer>>();
  return (question: Question): Promise<Answer> => {
    const key = keyOf(question);
    const answer = known.get(key) ?? ask(question);
    known.set(key, answer);
    if (known.size > 2000) known.delete(known.keys().next().value!);
    return answer;
  };
}
