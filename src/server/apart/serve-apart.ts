import { type Endpoint, LINES } from "@/api";
import { GUEST_HEADER, ROLE_HEADER, refuseChange } from "../access";
import { forgetCounts } from "../documents/shelf";
import { readChunks, refuse } from "../http";
import { makeId } from "../ids";
import type { Handler } from "../serve";
import { HANDLERS } from "./handlers";
import { nameOf, type SentAnswer, type SentRequest, WORK_HEADER } from "./job";
import { answerApart, hasThreads } from "./run";

export type ApartOptions = {
  /** The longest body, bytes. */
  readonly most: number;
  /** Bodies up to this many bytes are answered at once, without going to a thread. */
  readonly above?: number;
  /** Takes back what a piece of work had begun that did not come to its end: the thread was ended. */
  readonly takeBack?: (work: string) => Promise<void>;
  /** What is done here before it is answered, with the body as it came; an answer of its own is the answer. */
  readonly before?: (body: string) => Promise<Response | null>;
  /** What is done here once it was answered, and not refused. */
  readonly afterwards?: () => Promise<void>;
};

const HEADERS = [ROLE_HEADER, GUEST_HEADER, "content-type"];

/**
 * What answers an endpoint in a thread apart, as its handler in {@link HANDLERS} says: reading and writing much holds nobody
 * else up. Who asks for lines is told how far it is; who goes away ends the work, and what it had not finished is taken back.
 */
export function serveApart(
  endpoint: Pick<Endpoint, "method" | "path" | "changes" | "who">,
  { most, above = 0, takeBack, before, afterwards }: ApartOptions,
): Handler {
  const name = nameOf(endpoint);
  const handler = HANDLERS.get(name)!;
  return async (request, context) => {
    const length = Number(request.headers.get("content-length") ?? 0);
    if (!hasThreads() || (above > 0 && length <= above)) return handler(request, context);
    const refused = endpoint.changes && endpoint.who === "leader" ? refuseChange(request) : null;
    if (refused) return refused;
    const body = endpoint.method === "GET" ? null : await readChunks(request, most);
    if (body && !body.ok) return body.response;
    const early = await before?.(Buffer.concat(body?.value ?? []).toString("utf8"));
    if (early) return early;
    const work = makeId();
    const sent: SentRequest = {
      method: endpoint.method,
      url: request.url,
      headers: Object.fromEntries([
        [WORK_HEADER, work],
        ...HEADERS.flatMap((header) => {
          const value = request.headers.get(header);
          return value === null ? [] : [[header, value]];
        }),
      ]),
      params: (await context?.params) ?? {},
      body: body?.value ?? null,
    };
    const answer: Answers = (signal, onProgress) =>
      answerApart(name, sent, { signal, onProgress })
        .catch(async (error: unknown) => {
          await takeBack?.(work);
          throw error;
        })
        .finally(endpoint.changes ? forgetCounts : null)
        .then(async (said) => {
          if (said.status < 300) await afterwards?.();
          return asResponse(said);
        })
        .catch(whyNot);
    const isTold = (request.headers.get("accept") ?? "").includes(LINES);
    return isTold ? inLines(answer, request.signal) : answer(request.signal);
  };
}

/** Has it answered in the thread; a thread that is gone is an answer too. */
type Answers = (signal: AbortSignal, onProgress?: (done: number, of: number) => void) => Promise<Response>;

const whyNot = (error: unknown): Response =>
  refuse(
    503,
    "work",
    `could not be finished, and nothing of it was kept. ${error instanceof Error ? error.message : "Try again."}`,
  );

const asResponse = ({ status, headers, body }: SentAnswer): Response =>
  new Response(body, { status, headers: headers.map(([name, value]): [string, string] => [name, value]) });

/** Tells how far the work is, line by line; the last line holds the status and the answer. */
function inLines(answer: Answers, signal: AbortSignal): Response {
  const encoder = new TextEncoder();
  const given = new AbortController();
  signal.addEventListener("abort", () => given.abort());
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const tell = (line: string) => {
        if (!given.signal.aborted) controller.enqueue(encoder.encode(`${line}\n`));
      };
      const onProgress = (done: number, of: number) => tell(JSON.stringify({ done, of }));
      const response = await answer(given.signal, onProgress);
      if (given.signal.aborted) return;
      tell(`{"status":${response.status},"answer":${await response.text()}}`);
      controller.close();
    },
    cancel: () => given.abort(),
  });
  return new Response(body, { headers: { "content-type": LINES, "cache-control": "no-store" } });
}
