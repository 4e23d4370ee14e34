export type { AnswerOf, QuestionOf } from "..";
export { askEngine } from "./ask";
export { type Answered, type AnsweredAll, useEngine, useEngines, useProgress } from "./use-engine";
