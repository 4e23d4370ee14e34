/** What clients have in common: asking with a limit of time, and following a line of events that breaks. */

const LONGEST_MS = 10_000;

export type Answered = {
  readonly status: number;
  readonly body: Record<string, unknown>;
  readonly cookie: string;
};

/** Asks the program; null where it was not reached or did not answer in time. */
export async function ask(
  address: string,
  method: string,
  place: string,
  { body, cookie = "" }: { readonly body?: unknown; readonly cookie?: string } = {},
): Promise<Answered | null> {
  try {
    const response = await fetch(address + place, {
      method,
      redirect: "manual",
      headers: { "content-type": "application/json", ...(cookie ? { cookie } : {}) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(LONGEST_MS),
    });
    const text = await response.text();
    return {
      status: response.status,
      body: text.startsWith("{") ? (JSON.parse(text) as Record<string, unknown>) : {},
      cookie: response.headers.get("set-cookie")?.split(";")[0] ?? "",
    };
  } catch {
    return null;
  }
}

/** Follows a line of events until it is ended, and comes again wherever it breaks. @returns ends it */
export function follow(place: () => string, cookie: string, take: (data: string) => void): () => void {
  const ended = new AbortController();
  const listen = async () => {
    const response = await fetch(place(), { headers: { cookie }, signal: ended.signal });
    let text = "";
    for await (const chunk of response.body ?? []) {
      text += Buffer.from(chunk).toString("utf8");
      const parts = text.split("\n\n");
      text = parts.pop()!;
      for (const part of parts) {
        const data = /^data: (.*)$/mu.exec(part);
        if (data && !ended.signal.aborted) take(data[1]!);
      }
    }
  };
  void (async () => {
    while (!ended.signal.aborted) {
      await listen().catch(() => {});
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  })();
  return () => ended.abort();
}
