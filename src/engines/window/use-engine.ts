"use client";

import { useQueries } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import type { AnswerOf, EngineName, ProblemOf, QuestionOf } from "..";
import { client, keyOf, progress, queryOf } from "./client";
import { type Known, takeIn } from "./known";

type Question<Name extends EngineName> = QuestionOf<Name> & object;

/** What has come of a question. */
export type Answered<Name extends EngineName, Beside = undefined> = {
  /** The last good answer; null before the first, and where nothing is asked. */
  readonly data: AnswerOf<Name> | null;
  /** What stood beside the question `data` answers. */
  readonly beside: Beside | null;
  /** Whether what is asked now has no answer yet: `data` is that of another question, or null. */
  readonly isOld: boolean;
  /** Why there is no answer to what is asked now. */
  readonly problem: ProblemOf<Name> | null;
  /** Why it could not be worked out at all. */
  readonly error: Error | null;
  /** Whether it is being worked out. */
  readonly isWorking: boolean;
  readonly retry: () => void;
  /** Ends the search; nothing is answered until it is asked again. */
  readonly cancel: () => void;
};

/** Several questions to one engine. */
export type AnsweredAll<Name extends EngineName, Beside = undefined> = {
  /** The last good answers by the ids of their questions. The same map as long as none is new. */
  readonly data: ReadonlyMap<string, AnswerOf<Name>>;
  /** The same with what stood beside each question that is answered. */
  readonly known: ReadonlyMap<string, Known<AnswerOf<Name>, Beside>>;
  /** Why there is no answer to what is asked now, by id. */
  readonly problems: ReadonlyMap<string, ProblemOf<Name>>;
  /** Whether some of what is asked now has no answer yet. */
  readonly isOld: boolean;
  /** Of the first question that could not be worked out. */
  readonly error: Error | null;
  readonly retry: () => void;
};

type Entry<Name extends EngineName, Beside> = {
  readonly id: string;
  readonly question: Question<Name> | null;
  readonly beside: Beside;
};

function useAnswers<Name extends EngineName, Beside>(engine: Name, entries: readonly Entry<Name, Beside>[]) {
  const questions = new Map<string, Question<Name>>();
  const keyed = entries.map((entry) => {
    const key = entry.question && keyOf(engine, entry.question);
    if (key !== null && entry.question) questions.set(key, entry.question);
    return { ...entry, key };
  });
  const keys = [...questions.keys()];
  const results = useQueries(
    { queries: [...questions.values()].map((question) => queryOf(engine, question)) },
    client,
  );
  const now = keyed.map((entry) => {
    const result = entry.key === null ? undefined : results[keys.indexOf(entry.key)];
    const { data } = result ?? {};
    return {
      ...entry,
      result,
      answer: data?.ok ? (data.value as AnswerOf<Name>) : undefined,
      problem: data && !data.ok ? (data.problem as ProblemOf<Name>) : null,
      isOld: entry.key !== null && data === undefined,
    };
  });
  const [known, setKnown] = useState<ReadonlyMap<string, Known<AnswerOf<Name>, Beside>>>(new Map());
  const after = takeIn(known, now);
  if (after !== known) setKnown(after);
  return { known: after, now };
}

const retryAll = (keys: readonly (string | null)[]) => {
  for (const key of keys) if (key !== null) void client.refetchQueries({ queryKey: [key] });
};

/**
 * Asks an engine in a worker and keeps the screen supplied: the last good answer stays, marked as old, while another is
 * worked out; a newer question ends the older one's search; an error is told, and can be tried again.
 * @param question values that are not changed afterwards, or null where nothing is asked
 * @param beside what the answer is shown with, such as the song the question was made of: it comes back with the answer
 */
export function useEngine<Name extends EngineName, Beside = undefined>(
  engine: Name,
  question: Question<Name> | null,
  beside?: Beside,
): Answered<Name, Beside> {
  const { known, now } = useAnswers(engine, [{ id: "", question, beside: beside as Beside }]);
  const [{ key, result, problem, isOld }] = now as [(typeof now)[number]];
  const last = known.get("");
  return {
    data: last?.answer ?? null,
    beside: last?.beside ?? null,
    isOld,
    problem,
    error: result?.error ?? null,
    isWorking: result?.fetchStatus === "fetching",
    retry: () => retryAll([key]),
    cancel: () => void (key === null || client.cancelQueries({ queryKey: [key] })),
  };
}

/** Asks an engine for several at once, such as each player, as {@link useEngine} does for one. */
export function useEngines<Name extends EngineName, Beside = undefined>(
  engine: Name,
  questions: ReadonlyMap<string, Question<Name>>,
  beside?: ReadonlyMap<string, Beside>,
): AnsweredAll<Name, Beside> {
  const { known, now } = useAnswers(
    engine,
    [...questions].map(([id, question]) => ({ id, question, beside: beside?.get(id) as Beside })),
  );
  const data = useMemo(() => new Map([...known].map(([id, { answer }]) => [id, answer])), [known]);
  const failed = now.filter(({ result }) => result?.error);
  return {
    data,
    known,
    problems: new Map(now.flatMap(({ id, problem }) => (problem === null ? [] : [[id, problem] as const]))),
    isOld: now.some((one) => one.isOld),
    error: failed[0]?.result?.error ?? null,
    retry: () => retryAll(failed.map(({ key }) => key)),
  };
}

/** How far a search is, 0 to 1, and the answer as far as it is known, for engines that tell it. */
export function useProgress<Name extends EngineName>(
  engine: Name,
  question: Question<Name> | null,
): { readonly share: number; readonly soFar: AnswerOf<Name> | null } {
  const told = useStore(progress, (all) => (question ? all.get(keyOf(engine, question)) : undefined));
  // An engine tells no other answer than its own.
  return { share: told?.share ?? 0, soFar: (told?.soFar as AnswerOf<Name> | undefined) ?? null };
}
