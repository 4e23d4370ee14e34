import type { PatternProblem } from "@/core/rhythm";
import { FieldError } from "./engine";

/**
 * Why a pattern is refused, at the field of its place that is wrong.
 * @param signs what may stand in it, in words
 */
export function patternError(
  problem: PatternProblem,
  place: readonly (string | number)[],
  signs: string,
): FieldError {
  switch (problem.code) {
    case "subdivision":
      return new FieldError([...place, "subdivision"], "should be 2, 3 or 4 (6 in 6/8, 9/8 and 12/8)");
    case "swing":
      return new FieldError([...place, "swing"], "should be a share from 0.5 (even) to 0.75");
    case "no-pairs":
      return new FieldError([...place, "swing"], "should be 0.5 where a beat is cut into 3: it has no pairs");
    case "empty":
      return new FieldError([...place, "pattern"], "should have at least one beat of strokes");
    case "too-long":
      return new FieldError(
        [...place, "pattern"],
        `should have at most 4096 strokes, not ${problem.strokes}`,
      );
    case "stroke":
      return new FieldError(
        [...place, "pattern"],
        `should be strokes ${signs}: stroke ${problem.at + 1} is ${JSON.stringify(problem.text.slice(0, 20))}`,
      );
    case "beats-open":
      return new FieldError(
        [...place, "pattern"],
        `should fill whole beats of ${problem.subdivision} strokes, and has ${problem.strokes}`,
      );
  }
}
