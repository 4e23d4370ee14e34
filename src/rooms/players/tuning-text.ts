import { fail, ok, type Result } from "@/base";
import { readTuningWords, type SaidTuning } from "@/core/fretboard";
import { parseTuning, STANDARD_TUNINGS, type TuningProblem } from "@/core/pitch";

const splitTuning = (text: string): string[] =>
  text
    .replaceAll("♭", "b")
    .replaceAll("♯", "#")
    .split(/[\s,]+/u)
    .filter((part) => part !== "");

function describe(problem: TuningProblem): string {
  if (problem.code === "string-count")
    return `A tuning has 3 to 8 strings, such as E2 A2 D3 G3 B3 E4; this has ${problem.count}.`;
  return `“${problem.text}”, number ${problem.string + 1} as typed, is not a pitch such as E2 or Bb3.`;
}

/**
 * Reads a tuning as it is said of an instrument of so many strings: "half step down", "Drop D", names with or without octaves.
 * @returns the tuning, or a sentence
 */
export function readTuningText(text: string, strings: number): Result<SaidTuning, string> {
  const usual = STANDARD_TUNINGS[strings] && parseTuning(STANDARD_TUNINGS[strings]);
  const said = usual?.ok ? readTuningWords(text, usual.value) : null;
  if (said?.ok) return ok(said.value);
  const plain = parseTuning(splitTuning(text));
  if (plain.ok) return ok({ tuning: plain.value, unlike: [], by: 0 });
  return fail(
    `${describe(said?.problem ?? plain.problem)} Words such as “half step down” or “Drop D” do too.`,
  );
}
