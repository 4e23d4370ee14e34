import type { IncomingMessage, ServerResponse } from "node:http";
import type { Gate } from "./host-gate";
import type { Answer } from "./network";
import { judge } from "./origin";
import { makeNonce, policyWith } from "./policy";

type Handle = (request: IncomingMessage, response: ServerResponse) => unknown;

/** What may be had over plain HTTP where the line is encrypted: how one comes to trust the certificate. */
const PLAIN_WHERE_SECURE = /^\/(?:join\/trust|lantern-ca\.crt|_next\/static\/.*|icon\.svg)$/u;

const refuse = (response: ServerResponse, status: number, error: object) => {
  response.writeHead(status, { "content-type": "application/json" });
  response.end(JSON.stringify({ error }));
};

const goTo = (response: ServerResponse, location: string) => {
  response.writeHead(303, { location });
  response.end();
};

/** No body is longer, bytes: a backup; each endpoint holds its own to less. */
const LONGEST_BODY = 64_000_000;

/** The path of an address, read once; null where it can't be read. */
function pathOf(url: string): string | null {
  try {
    const { pathname } = new URL(url, "http://lantern");
    decodeURIComponent(pathname);
    return pathname;
  } catch {
    return null;
  }
}

/** What is wrong with a body before any of it is read, or null. */
function judgeBody({ headers }: IncomingMessage): { status: number; path: string; message: string } | null {
  if (headers["transfer-encoding"] !== undefined)
    return { status: 411, path: "body", message: "should say how long it is (Content-Length)" };
  if (Number(headers["content-length"] ?? 0) > LONGEST_BODY)
    return { status: 413, path: "body", message: `should be at most ${LONGEST_BODY / 1_000_000} MB` };
  return null;
}

/**
 * The way every request comes in: Host and Origin are judged, then the gate is asked who it comes from, then Next answers.
 * @param gate the gate, once it is there
 * @param handle what answers, once it is ready
 * @param options while it is developed, pages load scripts a policy would keep out
 */
export const makeDoor =
  (
    gate: Promise<Gate>,
    handle: Promise<Handle>,
    say: (sentence: string) => void,
    { dev = false }: { dev?: boolean } = {},
  ): Answer =>
  async (request, response, { from, hosts, scheme }) => {
    // What only the gate may say is thrown away when it comes from outside.
    for (const name of Object.keys(request.headers))
      if (name.startsWith("x-lantern-")) delete request.headers[name];
    const verdict = judge(request, hosts, scheme);
    if (verdict) return refuse(response, 403, verdict);
    response.setHeader("x-content-type-options", "nosniff");
    response.setHeader("referrer-policy", "same-origin");
    response.setHeader("x-frame-options", "DENY");
    if (!dev) {
      const policy = policyWith(makeNonce());
      response.setHeader("content-security-policy", policy);
      // Next reads the nonce for its own scripts from here.
      request.headers["content-security-policy"] = policy;
    }
    const pathname = pathOf(request.url ?? "/");
    if (pathname === null)
      return refuse(response, 400, { path: "address", message: "can't be read: a % stands in it alone" });
    const bad = judgeBody(request);
    if (bad) {
      const { status, ...error } = bad;
      // What is on its way is not waited for.
      response.setHeader("connection", "close");
      return refuse(response, status, error);
    }
    const answer = await handle;
    if (from === "network-plain" && !PLAIN_WHERE_SECURE.test(pathname)) return goTo(response, "/join/trust");
    try {
      const admission = await (await gate).admit({
        method: request.method ?? "GET",
        path: pathname,
        cookie: request.headers.cookie ?? "",
        from: from === "here" ? "here" : "network",
      });
      if (!admission.ok && admission.location) return goTo(response, admission.location);
      if (!admission.ok)
        return refuse(response, admission.status, { path: "who", message: admission.message });
      Object.assign(request.headers, admission.headers, {
        "x-lantern-address": request.socket.remoteAddress ?? "",
      });
    } catch (error) {
      say(`The gate could not look at a request: ${error instanceof Error ? error.message : error}`);
      return refuse(response, 503, { path: "who", message: "could not be looked up; try again" });
    }
    return answer(request, response);
  };
