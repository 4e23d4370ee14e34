import type { z } from "zod";
import type { Endpoint } from "@/api";
import { isStorable } from "@/document";
import { type Principal, principal, refuseChange } from "./access";
import { readJson, refuse } from "./http";
import { withStorage } from "./storage";

/** What is asked, checked: what was sent, the ids of the path, and who asks. */
export type Asked<Output> = {
  readonly sent: Output;
  readonly params: Readonly<Record<string, string>>;
  readonly who: Principal;
  readonly request: Request;
  /** Told how far the work is, where it is long. */
  readonly told: Told;
};

/** Told how far something is. */
export type Told = (done: number, of: number) => void;

/** An answer with a status other than 200, or with headers of its own. */
export class Reply<Answer> {
  constructor(
    readonly answer: Answer,
    readonly status: number,
    readonly headers: Readonly<Record<string, string>> = {},
  ) {}
}

/** A refusal that says more than a sentence: both values of a conflict, doubles of a song. */
export class Refuse<Refusal> {
  constructor(
    readonly refusal: Refusal,
    readonly status: number,
    readonly error: { readonly path: string; readonly message: string } | null = null,
  ) {}
}

export type Handler = (
  request: Request,
  context: { params: Promise<Readonly<Record<string, string>>>; told?: Told },
) => Promise<Response>;

/**
 * What answers an endpoint: it reads and checks what was sent, keeps everybody but the leader from changing what is the
 * leader's, and says so where nothing can be written. A response that `answer` makes itself goes out as it is.
 */
export const serve =
  <Output, Input, Answer, Refusal>(
    endpoint: Endpoint<Output, Input, Answer, Refusal>,
    answer: (asked: Asked<Output>) => Promise<Answer | Reply<Answer> | Refuse<Refusal> | Response>,
  ): Handler =>
  async (request, context) => {
    const { changes } = endpoint;
    const refused = changes && endpoint.who === "leader" ? refuseChange(request) : null;
    if (refused) return refused;
    const read = await readSent(endpoint, request);
    if (!read.ok) return read.response;
    const params = (await context?.params) ?? {};
    const odd = Object.keys(params).find((name) => !isStorable(params[name]!));
    if (odd) return refuse(404, odd, "names nothing here");
    const { told = () => {} } = context ?? {};
    const run = async () =>
      asResponse(await answer({ sent: read.value, params, who: principal(request), request, told }));
    return changes ? withStorage(run) : run();
  };

function asResponse(answered: unknown): Response {
  if (answered instanceof Response) return answered;
  if (answered instanceof Refuse) {
    const { refusal, status, error } = answered;
    return Response.json({ ...(refusal as object), ...(error ? { error } : {}) }, { status });
  }
  const reply = answered instanceof Reply ? answered : new Reply(answered, 200);
  return Response.json(reply.answer, {
    status: reply.status,
    headers: { "cache-control": "no-store", ...reply.headers },
  });
}

async function readSent<Output>(
  { method, request: wanted }: Pick<Endpoint<Output>, "method" | "request">,
  request: Request,
): Promise<
  { readonly ok: true; readonly value: Output } | { readonly ok: false; readonly response: Response }
> {
  // Where nothing is asked for, nothing is read.
  if (!wanted) return { ok: true, value: {} as Output };
  const check = await wanted.check();
  if (method !== "GET") return readJson(request, wanted.most, check);
  return checkQuery(request, check);
}

function checkQuery<Output>(request: Request, check: z.ZodType<Output>) {
  const parsed = check.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (parsed.success) return { ok: true as const, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return {
    ok: false as const,
    response: refuse(400, issue.path.map(String).join(".") || "query", issue.message),
  };
}
