import { fail, ok, type Result } from "../../base";
import type { Frets } from "./hand";
import { LAST_FRET } from "./neck";

/** Why a text is no shape. */
export type FretsProblem =
  | { readonly code: "empty" }
  | { readonly code: "not-a-fret"; readonly text: string }
  | { readonly code: "too-high"; readonly fret: number }
  | { readonly code: "wrong-count"; readonly read: number; readonly strings: number }
  | { readonly code: "all-damped" };

const BETWEEN = /[\s.,;|/–-]+/u;
const DAMPED = /^[x×]$/iu;
const OPEN = /^o$/iu;

/**
 * Reads a shape as people write it: a fret a string from the player's face, x where a string is not played, o or 0 where
 * it is open. One sign a string, or with something between them where frets have two digits.
 * @example readFrets("x02200", 6) // => [null, 0, 2, 2, 0, 0]
 * @example readFrets("x x 0 11 10 10", 6) // => [null, null, 0, 11, 10, 10]
 */
export function readFrets(text: string, strings: number): Result<Frets, FretsProblem> {
  const trimmed = text.trim();
  if (trimmed === "") return fail({ code: "empty" });
  const signs = BETWEEN.test(trimmed) ? trimmed.split(BETWEEN).filter((sign) => sign !== "") : [...trimmed];
  const frets: (number | null)[] = [];
  for (const sign of signs) {
    if (DAMPED.test(sign)) frets.push(null);
    else if (OPEN.test(sign)) frets.push(0);
    else if (/^\d{1,2}$/u.test(sign)) frets.push(Number(sign));
    else return fail({ code: "not-a-fret", text: sign.slice(0, 12) });
  }
  if (frets.length !== strings) return fail({ code: "wrong-count", read: frets.length, strings });
  const high = frets.find((fret) => fret !== null && fret > LAST_FRET);
  if (high != null) return fail({ code: "too-high", fret: high });
  if (frets.every((fret) => fret === null)) return fail({ code: "all-damped" });
  return ok(frets);
}

/** @param first the string nearest the player's face, as it is called */
export function describeFretsProblem(problem: FretsProblem, first: string): string {
  switch (problem.code) {
    case "empty":
      return `Type a fret for each string, from ${first} on: x02200.`;
    case "not-a-fret":
      return `“${problem.text}” is no fret: write a number, x for a string that is not played, 0 for an open one.`;
    case "too-high":
      return `Fret ${problem.fret} is past the end of the neck: ${LAST_FRET} is the last.`;
    case "wrong-count":
      return `${problem.strings} strings want ${problem.strings} frets, from ${first} on; ${problem.read} ${problem.read === 1 ? "was" : "were"} read. Frets of two digits want spaces between: x x 0 11 10 10.`;
    case "all-damped":
      return "No string sounds: give at least one a fret, or 0 for open.";
  }
}
