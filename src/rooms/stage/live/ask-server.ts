/** What a route answered. */
export type Answered =
  | { readonly ok: true; readonly status: number; readonly body: unknown }
  | { readonly ok: false; readonly status: number; readonly message: string };

/** A server that has said nothing for so long is away, ms. */
const LONGEST_MS = 8000;

/** Asks a route of the server's; null where it can't be reached. */
export async function askServer(method: string, place: string, body?: unknown): Promise<Answered | null> {
  try {
    const response = await fetch(place, {
      method,
      cache: "no-store",
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { "content-type": "application/json" } }),
      signal: AbortSignal.timeout(LONGEST_MS),
    });
    const answer = (await response.json()) as { error?: { message: string } };
    const { status } = response;
    return response.ok
      ? { ok: true, status, body: answer }
      : { ok: false, status, message: answer.error?.message ?? "It could not be done." };
  } catch {
    return null;
  }
}
