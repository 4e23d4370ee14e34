import { z } from "zod";
import { ok, type Result } from "@/base";

/** What is wrong with an input: the field, as a dotted path, and what it should be. */
type InputError = { readonly path: string; readonly message: string };

export type Outcome =
  | { readonly ok: true; readonly result: unknown }
  | { readonly ok: false; readonly error: InputError };

/** Hears how far a search is, and what it has found so far where that is worth showing: an answer as its engine gives it. */
export type Told = (done: number, of: number, soFar?: unknown) => void;

/** How an engine works for whoever asks: the most steps of its search, and whom it tells how far it is. */
type Work = { readonly budget?: number | undefined; readonly onProgress?: Told | undefined };

/** Where an engine is asked, and so how long its search may be: the command line may take all the time there is. */
export type Door = "command line" | "http" | "window";

/** So many steps, unless fewer are asked for; or as many as the search takes by itself, and at most so many. */
type Bound = number | { readonly most: number };

/** The steps of a search at the doors where somebody waits. */
export type Steps = Readonly<Record<Exclude<Door, "command line">, Bound>>;

/**
 * An engine as everybody reaches it. A window asks `compute` with values the compiler has checked; the command line and
 * HTTP ask `run` with JSON, of which `run` makes the same question. `run` is null where only our own rooms ask.
 */
export type Engine<Name extends string, Question, Answer, Problem> = {
  readonly name: Name;
  readonly summary: string;
  /** Null where there is nothing to bound: the work is as long as the input. */
  readonly steps: Steps | null;
  readonly compute: (question: Question, work: Work) => Result<Answer, Problem>;
  readonly run: ((input: unknown, door: Door) => Outcome) | null;
};

/** A problem found after the schema: the field and what it should be. */
export class FieldError extends Error {
  constructor(
    readonly path: readonly (string | number)[],
    message: string,
  ) {
    super(message);
  }
}

type Core<Name extends string, Question, Answer, Problem> = {
  readonly name: Name;
  readonly steps: Steps | null;
  readonly compute: (question: Question, work: Work) => Result<Answer, Problem>;
};

/** An engine that only our own rooms ask. */
export const roomEngine = <const Name extends string, Question, Answer, Problem = never>(
  core: Core<Name, Question, Answer, Problem>,
): Engine<Name, Question, Answer, Problem> => ({ ...core, summary: "", run: null });

/**
 * An engine with a contract in JSON.
 * @param define.input what is sent, checked; a `budget` of search steps is understood where there are `steps` to bound
 * @param define.read the question it asks; what a schema can't say is refused here by a {@link FieldError}
 * @param define.tell the answer as it is printed; as it is, unless given
 * @param define.refuse why there is no answer, at its field
 */
export function engine<const Name extends string, Input, Question, Answer, Problem = never>(
  define: Core<Name, Question, Answer, Problem> & {
    readonly summary: string;
    readonly input: z.ZodType<Input>;
    readonly read: (input: Input) => Question;
    readonly tell?: (answer: Answer, input: Input, question: Question) => unknown;
    readonly refuse?: (problem: Problem, input: Input, question: Question) => FieldError;
  },
): Engine<Name, Question, Answer, Problem> {
  const { name, summary, steps, input: schema, read, compute, tell, refuse } = define;
  const answer = (given: unknown, door: Door): unknown => {
    const input = checked(schema, given);
    const budget = steps && budgetAt(door, steps, checked(budgetField, given).budget);
    const question = read(input);
    const result = compute(question, budget === null ? {} : { budget });
    if (result.ok) return tell ? tell(result.value, input, question) : result.value;
    throw refuse?.(result.problem, input, question) ?? new Error(`${name} refuses without a reason.`);
  };
  const run = (given: unknown, door: Door): Outcome => {
    try {
      return { ok: true, result: answer(given, door) };
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      return { ok: false, error: { path: error.path.join("."), message: error.message } };
    }
  };
  return { name, summary, steps, compute, run };
}

/**
 * An engine whose question is its input and whose answer is printed as it is. `compute` throws a {@link FieldError} for
 * what a schema can't say.
 */
export const plainEngine = <const Name extends string, Input, Answer>(define: {
  readonly name: Name;
  readonly summary: string;
  readonly input: z.ZodType<Input>;
  readonly compute: (input: Input) => Answer;
}): Engine<Name, Input, Answer, never> =>
  engine({ ...define, steps: null, read: (input) => input, compute: (input) => ok(define.compute(input)) });

const STEPS = "should be a whole number of search steps, 0 or more";
const budgetField = z.looseObject({ budget: z.int({ error: STEPS }).min(0, { error: STEPS }).optional() });

/** The steps a search may take, by what was asked for and what the door allows; undefined leaves it to the search. */
export function budgetAt(door: Door, steps: Steps, asked?: number): number | undefined {
  if (door === "command line") return asked;
  const bound = steps[door];
  if (typeof bound === "number") return Math.min(asked ?? bound, bound);
  return asked === undefined ? undefined : Math.min(asked, bound.most);
}

function checked<Value>(schema: z.ZodType<Value>, given: unknown): Value {
  const parsed = schema.safeParse(given);
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0]!;
  const unknown = issue.code === "unrecognized_keys" ? issue.keys.slice(0, 1) : [];
  const path = [...issue.path, ...unknown].map(String);
  throw new FieldError(
    path.length > 0 ? path : ["input"],
    unknown.length > 0 ? "is not a field of this engine" : issue.message,
  );
}
