/**
 * The outcome of reading something that may be wrong: a value, or a problem as data.
 *
 * Problems are never thrown; `throw` is kept for a programmer's mistake.
 *
 * @example
 * const key = parseKey("F#m");
 * if (key.ok) key.value.mode; // => "minor"
 */
export type Result<Value, Problem> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problem: Problem };

export const ok = <Value>(value: Value): { ok: true; value: Value } => ({ ok: true, value });

export const fail = <Problem>(problem: Problem): { ok: false; problem: Problem } => ({ ok: false, problem });

/** The value, or a thrown error: only for text written in the source, where a failure is our own mistake. */
export function unwrap<Value, Problem>(result: Result<Value, Problem>): Value {
  if (result.ok) return result.value;
  throw new Error(`Expected a readable value, got ${JSON.stringify(result.problem)}.`, {
    cause: result.problem,
  });
}
