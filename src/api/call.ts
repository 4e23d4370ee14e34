import { type Endpoint, fillPath, type Refused } from "./endpoint";

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

export type Options<Input> = {
  /** Ids of the path. */
  readonly params?: Readonly<Record<string, string>>;
  readonly sent?: Input | undefined;
  readonly signal?: AbortSignal;
};

/** What the server says to one request, with its status. */
export type Said = { readonly status: number; readonly answer: unknown };

/** How an answer comes, and how it is read. */
export type Reading = {
  /** What is asked for beside the usual; null for nothing. */
  readonly accept: string | null;
  readonly read: (response: Response) => Promise<Said>;
};

const AS_JSON: Reading = {
  accept: null,
  read: async (response) => ({ status: response.status, answer: await response.json() }),
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
  { params = {}, sent }: Omit<Options<Input>, "signal"> = {},
): string => `${fillPath(path, params)}${queryOf(sent)}`;

/**
 * Asks the server; never throws.
 * @example const made = await call(startVersion, { sent: { from: id, name: "Easy" } });
 */
export const call = <Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  options: Options<Input> = {},
): Promise<Called<Answer, Refusal>> => callReading(endpoint, options, AS_JSON);

/** Asks the server for an answer that comes in a way of its own. */
export async function callReading<Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  { params = {}, sent, signal }: Options<Input>,
  { accept, read }: Reading,
): Promise<Called<Answer, Refusal>> {
  const { method } = endpoint;
  const isRead = method === "GET";
  try {
    const response = await fetch(placeOf(endpoint, isRead ? { params, sent } : { params }), {
      method,
      cache: "no-store",
      ...(isRead ? {} : bodyOf(sent, accept)),
      ...(signal ? { signal } : {}),
    });
    const { status, answer: said } = await read(response);
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
function bodyOf(sent: unknown, accept: string | null): Pick<RequestInit, "body" | "headers"> {
  const wanted = accept === null ? {} : { accept: `${accept}, application/json` };
  if (sent === undefined) return { headers: wanted };
  if (sent instanceof Blob) return { body: sent, headers: wanted };
  return { body: JSON.stringify(sent), headers: { "content-type": "application/json", ...wanted } };
}
