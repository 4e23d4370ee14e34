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

type Options<Input> = {
  /** Ids of the path. */
  readonly params?: Readonly<Record<string, string>>;
  readonly sent?: Input | undefined;
  readonly signal?: AbortSignal;
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
export async function call<Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  { params = {}, sent, signal }: Options<Input> = {},
): Promise<Called<Answer, Refusal>> {
  const { method } = endpoint;
  const isRead = method === "GET";
  try {
    const response = await fetch(placeOf(endpoint, isRead ? { params, sent } : { params }), {
      method,
      cache: "no-store",
      ...(isRead ? {} : bodyOf(sent)),
      ...(signal ? { signal } : {}),
    });
    const { status } = response;
    const said: unknown = await response.json();
    if (response.ok) return { ok: true, status, answer: said as Answer };
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
function bodyOf(sent: unknown): Pick<RequestInit, "body" | "headers"> {
  if (sent === undefined) return {};
  if (sent instanceof Blob) return { body: sent };
  return { body: JSON.stringify(sent), headers: { "content-type": "application/json" } };
}
