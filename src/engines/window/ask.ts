import type { Result } from "@/base";
import type { AnswerOf, EngineName, ProblemOf, QuestionOf } from "..";
import { client, queryOf } from "./client";

/**
 * Asks an engine once, for an act rather than for the screen: a file to be saved. Rejects when it can't be
 * worked out; nothing of it is kept.
 */
export const askEngine = <Name extends EngineName>(
  engine: Name,
  question: QuestionOf<Name> & object,
): Promise<Result<AnswerOf<Name>, ProblemOf<Name>>> =>
  client.fetchQuery({ ...queryOf(engine, question), gcTime: 0 });
