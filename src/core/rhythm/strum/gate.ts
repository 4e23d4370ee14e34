import { fail, ok, type Result, type Ticks } from "../../../base";
import type { Pattern } from "./pattern";
import { strokeTicks, ticksOfPattern } from "./times";

/** An on–off row over a pattern: sound is let through where it is on, cut where it is off (a stuttered sound). */
export type Gate = readonly boolean[];

export type GateProblem =
  | { readonly code: "sign"; readonly at: number; readonly text: string }
  | { readonly code: "length"; readonly signs: number; readonly strokes: number };

/**
 * Reads a row of `1` (on) and `0` (off), one a subdivision; a shorter row that divides the pattern is repeated.
 * @example readGate("1011 0011", pattern)
 */
export function readGate(text: string, pattern: Pattern): Result<Gate, GateProblem> {
  // Signs may run together: "1101 0011".
  const signs = text
    .split(/\s+/u)
    .flatMap((word) => (/^[01]+$/u.test(word) ? [...word] : word === "" ? [] : [word]));
  const wrong = signs.findIndex((sign) => sign !== "0" && sign !== "1");
  if (wrong >= 0) return fail({ code: "sign", at: wrong, text: signs[wrong]! });
  const strokes = pattern.strokes.length;
  if (signs.length === 0 || strokes % signs.length !== 0)
    return fail({ code: "length", signs: signs.length, strokes });
  return ok(Array.from({ length: strokes }, (_, at) => signs[at % signs.length] === "1"));
}

/** The stretches of a pattern in which sound is let through, in ticks from its start. */
export function gateSpans(gate: Gate, pattern: Pattern): { readonly from: Ticks; readonly to: Ticks }[] {
  const ticks = [...strokeTicks(pattern), ticksOfPattern(pattern)];
  const spans: { from: Ticks; to: Ticks }[] = [];
  for (const [at, on] of gate.entries()) {
    if (!on) continue;
    const last = spans.at(-1);
    if (last && last.to === ticks[at]) last.to = ticks[at + 1]!;
    else spans.push({ from: ticks[at]!, to: ticks[at + 1]! });
  }
  return spans;
}
