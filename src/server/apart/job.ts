import type { LoggedEdit } from "../documents/stored-documents";

/** A request as it goes to the thread that answers it. */
export type SentRequest = {
  readonly method: string;
  readonly url: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly params: Readonly<Record<string, string>>;
  /** The body as it came, piece by piece; null where there is none. */
  readonly body: readonly Uint8Array<ArrayBuffer>[] | null;
};

/** An answer as it comes back. */
export type SentAnswer = {
  readonly status: number;
  readonly headers: readonly (readonly [string, string])[];
  readonly body: Uint8Array<ArrayBuffer>;
};

/** What the program sends to the thread. */
export type ToWork = { readonly id: number; readonly endpoint: string; readonly request: SentRequest };

/** What the thread tells: how far it is, an edit that is on disk, and what came of a request. */
export type FromWork =
  | { readonly type: "progress"; readonly id: number; readonly done: number; readonly of: number }
  | { readonly type: "edit"; readonly documentId: string; readonly edit: LoggedEdit }
  | { readonly type: "answer"; readonly id: number; readonly answer: SentAnswer }
  | { readonly type: "failed"; readonly id: number; readonly reason: string };

/** What the thread is told a piece of work is called. */
export const WORK_HEADER = "x-lantern-work";

/** What the program itself asks for: a backup to be kept. No route leads there. */
export const ROLL = "keep a backup";

/** What an endpoint is called between the two. */
export const nameOf = ({ method, path }: { readonly method: string; readonly path: string }): string =>
  `${method} ${path}`;
