"use client";

import { type Remote, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Fingerings } from "@/core/fretboard";
import { requestKey, type ShapeRequest } from "@/core/parts";
import type { CapoRequest, CapoRow, Engines } from "./engines.worker";

export type { CapoRequest, CapoRow } from "./engines.worker";

let remote: Remote<Engines> | null = null;

/** The engines in a worker of their own, started when first asked. */
function engines(): Remote<Engines> {
  remote ??= wrap<Engines>(new Worker(new URL("./engines.worker.ts", import.meta.url), { type: "module" }));
  return remote;
}

/** Answers by question; the oldest go when there are too many. */
function remembered<Question, Answer>(
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

/** How many shapes a swap offers. */
const OFFERED = 24;

const fingeringsOf = remembered(
  requestKey,
  (request: ShapeRequest): Promise<Fingerings> => engines().fingerings(request, OFFERED),
);
const capoTableOf = remembered(
  (request: CapoRequest) => JSON.stringify(request),
  (request: CapoRequest): Promise<CapoRow[]> => engines().capoTable(request),
);

function useAnswers<Question, Answer>(
  questions: readonly Question[],
  keyOf: (question: Question) => string,
  ask: (question: Question) => Promise<Answer>,
): ReadonlyMap<string, Answer> {
  const [answers, setAnswers] = useState<ReadonlyMap<string, Answer>>(new Map());
  const wanted = questions.map(keyOf).join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: the questions are compared by their keys
  useEffect(() => {
    let current = true;
    for (const question of questions) {
      void ask(question).then((answer) => {
        if (current)
          setAnswers((before) =>
            before.get(keyOf(question)) === answer ? before : new Map(before).set(keyOf(question), answer),
          );
      });
    }
    return () => {
      current = false;
    };
  }, [wanted]);
  return answers;
}

/** The easiest fingerings of each request, by {@link requestKey}, as they become known. */
export const useFingerings = (requests: readonly ShapeRequest[]): ReadonlyMap<string, Fingerings> =>
  useAnswers(requests, requestKey, fingeringsOf);

/** The capo table of a request, or null while it is worked out. */
export function useCapoTable(request: CapoRequest): readonly CapoRow[] | null {
  const key = JSON.stringify(request);
  return useAnswers([request], JSON.stringify, capoTableOf).get(key) ?? null;
}
