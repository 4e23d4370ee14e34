import { type Endpoint, fillPath, type Refused } from "./endpoint";
import { LINES, type Line } from "./lines";

/** What came of asking: the answer, what the server refused it with, or that it was not reached. */
export type Called<Answer, Refusal> =
  | { readonly ok: true; readonly status: number; readonly answer: Answer }
  | {
      readonly ok: false;
      readonly status: number;
      readonly path: string;
      readonly message: string;
      /** What the server says beside the sentence; null where there is only that. */
      readonly refusal: Refusal | null;
    }
  | { readonly ok: false; readonly status: "away" };

type Options<Input> = {
  /** Ids of the path. */
  readonly params?: Readonly<Record<string, string>>;
  readonly sent?: Input | undefined;
  readonly signal?: AbortSignal;
  /** Told how far the server is, where it works long. */
  readonly onProgress?: (done: number, of: number) => void;
};

const queryOf = (sent: unknown): string => {
  const entries = Object.entries((sent ?? {}) as Record<string, unknown>).flatMap(([name, value]) =>
    value === undefined ? [] : [[name, String(value)]],
  );
  return entries.length === 0 ? "" : `?${new URLSearchParams(entries)}`;
};

/**
 * The address of what is asked by a link.
 * @example placeOf(exportVersion, { params: { id: "v" } }) // => "/api/documents/v/export"
 */
export const placeOf = <Input>(
  { path }: Pick<Endpoint<unknown, Input>, "path" | "request">,
  { params = {}, sent }: Omit<Options<Input>, "signal" | "onProgress"> = {},
): string => `${fillPath(path, params)}${queryOf(sent)}`;

/**
 * Asks the server; never throws.
 * @example const made = await call(startVersion, { sent: { from: id, name: "Easy" } });
 */
export async function call<Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  { params = {}, sent, signal, onProgress }: Options<Input> = {},
): Promise<Called<Answer, Refusal>> {
  const { method } = endpoint;
  const isRead = method === "GET";
  try {
    const response = await fetch(placeOf(endpoint, isRead ? { params, sent } : { params }), {
      method,
      cache: "no-store",
      ...(isRead ? {} : bodyOf(sent, onProgress !== undefined)),
      ...(signal ? { signal } : {}),
    });
    const { status, answer: said } = await readAnswer(response, onProgress ?? (() => {}));
    if (status >= 200 && status < 300) return { ok: true, status, answer: said as Answer };
    const { error, ...refusal } = said as Partial<Refused>;
    const hasMore = Object.keys(refusal).length > 0;
    return {
      ok: false,
      status,
      path: error?.path ?? "",
      message: error?.message ?? "It could not be done.",
      refusal: hasMore ? (refusal as Refusal) : null,
    };
  } catch {
    return { ok: false, status: "away" };
  }
}

/** A file goes as it is, everything else as JSON; what is nothing has no body. */
function bodyOf(sent: unknown, isTold: boolean): Pick<RequestInit, "body" | "headers"> {
  const accept = isTold ? { accept: `${LINES}, application/json` } : {};
  if (sent === undefined) return { headers: accept };
  if (sent instanceof Blob) return { body: sent, headers: accept };
  return { body: JSON.stringify(sent), headers: { "content-type": "application/json", ...accept } };
}

async function readAnswer(
  response: Response,
  onProgress: (done: number, of: number) => void,
): Promise<{ readonly status: number; readonly answer: unknown }> {
  if (response.headers.get("content-type") !== LINES || !response.body)
    return { status: response.status, answer: await response.json() };
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let text = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) throw new Error("Expected an answer as the last line.");
    const lines = (text + value).split("\n");
    text = lines.pop()!;
    for (const line of lines) {
      const said = JSON.parse(line) as Line;
      if ("status" in said) return said;
      onProgress(said.done, said.of);
    }
  }
}
