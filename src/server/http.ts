import type { z } from "zod";

/** An answer that says what is wrong, at which field, in the form every route uses. */
export const refuse = (status: number, path: string, message: string): Response =>
  Response.json({ error: { path, message } }, { status });

/** A stream of server-sent events, that nothing on the way keeps or gathers. */
export const eventStream = (body: ReadableStream<Uint8Array>): Response =>
  new Response(body, {
    headers: {
      "content-type": "text/event-stream",
      "cache-control": "no-store, no-transform",
      "x-accel-buffering": "no",
    },
  });

export type Read<Value> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly response: Response };

/** Reads a body up to a limit, without holding more than that. */
export async function readBytes(request: Request, limit: number): Promise<Read<Uint8Array>> {
  const chunks = await readChunks(request, limit);
  return chunks.ok ? { ok: true, value: Buffer.concat(chunks.value) } : chunks;
}

/** The same, piece by piece as it comes, to be handed on to another thread: each has its memory for itself. */
export async function readChunks(
  request: Request,
  limit: number,
): Promise<Read<readonly Uint8Array<ArrayBuffer>[]>> {
  const tooLong = () => refuse(413, "body", `should be at most ${Math.floor(limit / 1000)} kB`);
  if (Number(request.headers.get("content-length") ?? 0) > limit) return { ok: false, response: tooLong() };
  const chunks: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > limit) return { ok: false, response: tooLong() };
    chunks.push(new Uint8Array(chunk));
  }
  return { ok: true, value: chunks };
}

/** The deepest JSON may be nested; our own goes some ten deep. */
const DEEPEST = 64;

/** Whether a JSON text opens more brackets than may be open at once: looked at before anything is made of it. */
export function isTooDeep(json: string, deepest = DEEPEST): boolean {
  let depth = 0;
  for (const [mark] of json.matchAll(/"(?:[^"\\]|\\.)*"?|[[{\]}]/gsu)) {
    if (mark === "[" || mark === "{") {
      if (++depth > deepest) return true;
    } else if (mark === "]" || mark === "}") depth--;
  }
  return false;
}

/** Reads and checks a JSON body. */
export async function readJson<Value>(
  request: Request,
  limit: number,
  schema: z.ZodType<Value>,
): Promise<Read<Value>> {
  const bytes = await readBytes(request, limit);
  if (!bytes.ok) return bytes;
  let json: unknown;
  try {
    const text = new TextDecoder("utf-8", { fatal: true }).decode(bytes.value);
    if (isTooDeep(text))
      return { ok: false, response: refuse(400, "body", `should be nested at most ${DEEPEST} deep`) };
    json = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      response: refuse(
        400,
        "body",
        `should be JSON (${error instanceof Error ? error.message : "unreadable"})`,
      ),
    };
  }
  const parsed = schema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return { ok: false, response: refuse(400, issue.path.map(String).join(".") || "body", issue.message) };
}
