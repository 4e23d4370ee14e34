import { parseTuning } from "@/core/pitch";

export const splitTuning = (text: string): string[] =>
  text
    .replaceAll("♭", "b")
    .replaceAll("♯", "#")
    .split(/[\s,]+/u)
    .filter((part) => part !== "");

/** Says what is wrong with a tuning as typed, or null. */
export function checkTuning(text: string): string | null {
  const parsed = parseTuning(splitTuning(text));
  if (parsed.ok) return null;
  if (parsed.problem.code === "string-count")
    return `A tuning has 3 to 8 strings, such as E2 A2 D3 G3 B3 E4; this has ${parsed.problem.count}.`;
  return `String ${parsed.problem.string + 1}: “${parsed.problem.text}” is not a pitch such as E2 or Bb3.`;
}
