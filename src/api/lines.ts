/** How an answer comes that tells how far it is: lines of JSON, the last one the answer itself (NDJSON). */
export const LINES = "application/x-ndjson";

/** One line of it. */
export type Line =
  | { readonly done: number; readonly of: number }
  | { readonly status: number; readonly answer: unknown };
