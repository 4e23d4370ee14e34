import { z } from "zod";
import {
  barsOfPattern,
  comparePatterns,
  countsOf,
  formatStrokes,
  isOnset,
  onsetsOf,
  PATTERN_KINDS,
  type Pattern,
  readPattern,
  readSaidPatterns,
  type SaidPatternProblem,
  STRUM_FEELS,
  weightOf,
} from "@/core/rhythm";
import { FieldError, plainEngine } from "./engine";
import { meterField, readMeterAt } from "./meter-field";
import { patternError } from "./pattern-error";

/** Characters of a strum as it is said. */
const MOST_SAID = 20_000;

const number = (what: string) => z.number({ error: `should be ${what}` });

const strokes = z.string({ error: 'should be strokes such as "D . D U . U D U"' });
const own = {
  meter: meterField,
  subdivision: number("2, 3 or 4"),
  swing: number("a share from 0.5 to 0.75").default(0.5),
  kind: z.enum(PATTERN_KINDS, { error: `should be one of ${PATTERN_KINDS.join(", ")}` }).default("strum"),
};
const one = z.object({ ...own, pattern: strokes });
const two = z.object({ a: one, b: one });
const spoken = z.object({
  meter: meterField,
  words: z
    .string({ error: 'should be a strum as it is said, such as "down down up up down up"' })
    .max(MOST_SAID, { error: `should have at most ${MOST_SAID} characters` }),
  feel: z.enum(STRUM_FEELS, { error: `should be one of ${STRUM_FEELS.join(", ")}` }).default("straight"),
  subdivision: z
    .undefined({ error: "should not be given with words: each candidate has its own" })
    .optional(),
});

type One = z.output<typeof one>;
type Two = z.output<typeof two>;
type Spoken = z.output<typeof spoken>;

/** A pair, a pattern and what is said are told apart by their fields, so that an error names the field and not the whole. */
const input = z.unknown().transform((value, context): One | Two | Spoken => {
  const has = (field: string) => typeof value === "object" && value !== null && field in value;
  const schema = has("a") || has("b") ? two : has("words") ? spoken : one;
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  for (const issue of parsed.error.issues)
    context.addIssue({ code: "custom", message: issue.message, path: issue.path });
  return z.NEVER;
});

function read({ meter: metre, pattern: text, ...rest }: One, place: readonly string[]): Pattern {
  readMeterAt(metre, [...place, "meter"]);
  const found = readPattern({ ...rest, meter: metre, text });
  if (found.ok) return found.value;
  throw patternError(
    found.problem,
    place,
    "D, U (with a weight 1 to 3; Do, Uo over open strings), x, . or -",
  );
}

/** What is wrong with what was said, as a field says it. */
function asField(problem: SaidPatternProblem): string {
  switch (problem.code) {
    case "empty":
      return "should have at least one stroke or count";
    case "word":
      return `should be downs and ups, or counts: ${JSON.stringify(problem.text.slice(0, 40))} (word ${problem.at + 1}) is neither, or not beside the others`;
    case "count":
      return `should count from 1 to ${problem.most} in this bar, not ${problem.number}`;
    case "too-long":
      return "should fill at most 4096 places";
  }
}

/** Strums that may be meant by what is said. */
function candidatesOf({ meter, words, feel }: Spoken) {
  readMeterAt(meter, ["meter"]);
  const found = readSaidPatterns(words, meter, feel);
  if (!found.ok) throw new FieldError(["words"], asField(found.problem));
  return {
    candidates: found.value.map(({ pattern, bars, why }) => ({
      pattern: formatStrokes(pattern.strokes),
      subdivision: pattern.subdivision,
      bars,
      why,
    })),
  };
}

export const strum = plainEngine({
  name: "strum",
  summary:
    "Reads a strum or picking pattern: counts, onsets and weights; where two patterns meet; or the patterns meant by a strum as it is said.",
  input,
  compute: (given) => {
    if ("words" in given) return candidatesOf(given);
    if (!("a" in given)) {
      const pattern = read(given, []);
      return {
        bars: barsOfPattern(pattern),
        counts: countsOf(pattern),
        onsets: onsetsOf(pattern),
        weights: pattern.strokes.filter(isOnset).map(weightOf),
      };
    }
    const met = comparePatterns(read(given.a, ["a"]), read(given.b, ["b"]));
    if (met.ok) {
      const { shared, united, onlyA, onlyB, overlap } = met.value;
      return { shared, united, onlyA, onlyB, overlap };
    }
    if (met.problem.code === "meters")
      throw new FieldError(["b", "meter"], "should have bars as long as those of a");
    if (met.problem.code === "free")
      throw new FieldError(
        [given.a.kind === "free" ? "a" : "b", "kind"],
        "should not be free: any stroke of it may be struck or not",
      );
    throw new FieldError(["b", "pattern"], "should come round together with a within 256 bars");
  },
});
