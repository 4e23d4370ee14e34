import type { z } from "zod";

/** Who may ask: anyone on the network, whoever has a role in the evening that is open, or the leader alone. */
export type Who = "anyone" | "viewer" | "player" | "leader";
export type Method = "GET" | "POST" | "PUT";

/** Only a type: what an endpoint answers with, as JSON. */
export type Answers<Answer> = { readonly answer?: Answer };
export const answers = <Answer>(): Answers<Answer> => ({});

/**
 * What is sent: the query of a GET, the body of anything else. The check is fetched where a request is answered, so that
 * who only asks need not carry the rules.
 */
export type Sent<Output, Input> = {
  readonly check: () => Promise<z.ZodType<Output, Input>>;
  /** The longest body, bytes. */
  readonly most: number;
};

/** Nothing is sent. */
export type Nothing = Readonly<Record<never, never>>;

/**
 * One thing that can be asked of the server, as a value: the gate's table, what answers it and the rooms that ask it all read
 * this. Parts of the path in brackets are ids.
 */
export type Endpoint<Output = unknown, Input = unknown, Answer = unknown, Refusal = unknown> = {
  readonly method: Method;
  readonly path: string;
  readonly who: Who;
  /** Whether something is kept or moved by it; then nobody may do it who may only look on. */
  readonly changes: boolean;
  readonly request: Sent<Output, Input> | null;
  readonly answer: Answers<Answer>;
  /** What it says beside the sentence when it refuses: both values of a conflict, doubles of a song. */
  readonly refusal: Answers<Refusal>;
};

type Spec<Output, Input, Answer, Refusal> = {
  readonly changes?: boolean;
  readonly request?: Sent<Output, Input>;
  readonly answer?: Answers<Answer>;
  readonly refusal?: Answers<Refusal>;
};

/**
 * @example endpoint("GET", "/api/stage/[eveningId]/clock", "viewer", { answer: answers<{ now: number }>() })
 */
export const endpoint = <Output = Nothing, Input = Output, Answer = Nothing, Refusal = null>(
  method: Method,
  path: string,
  who: Who,
  {
    changes = method !== "GET",
    request,
    answer = {},
    refusal = {},
  }: Spec<Output, Input, Answer, Refusal> = {},
): Endpoint<Output, Input, Answer, Refusal> =>
  Object.freeze({ method, path, who, changes, request: request ?? null, answer, refusal });

/** Bodies that hold a few words. */
const SHORT = 4000;

/** What is sent, checked by a schema of `checks/`. */
export const sent = <Output, Input>(
  check: () => Promise<z.ZodType<Output, Input>>,
  most = SHORT,
): Sent<Output, Input> => ({ check, most });

/** The sentence a route refuses with, and the field it is about. */
export type Refused = { readonly error: { readonly path: string; readonly message: string } };

/** A path with its ids filled in. @example fillPath("/api/songs/[id]", { id: "x" }) // => "/api/songs/x" */
export const fillPath = (path: string, params: Readonly<Record<string, string>>): string =>
  path.replaceAll(/\[(\w+)\]/gu, (_, name: string) => encodeURIComponent(params[name] ?? ""));
