import { z } from "zod";
import { type Chord, type ChordProblem, parseChord } from "@/core/chord";
import { type Key, parseKey, parseTuning, type Tuning } from "@/core/pitch";
import { FieldError } from "./engine";

const CHORD_EXAMPLE = 'should be a chord symbol such as "Em7", "D/F#" or "N.C."';

const CHORD_REASONS: Readonly<Record<ChordProblem["code"], string>> = Object.freeze({
  empty: "it is empty",
  "no-root": "it does not begin with a note name",
  "unknown-quality": "what follows the root is not a chord quality",
  "unknown-bass": "what follows the slash is not a note name",
});

/** Reads a chord symbol at a place in the input. */
export function readChord(text: string, path: readonly (string | number)[]): Chord {
  const chord = parseChord(text);
  if (chord.ok) return chord.value;
  throw new FieldError(
    path,
    `${CHORD_EXAMPLE}: ${CHORD_REASONS[chord.problem.code]} in ${JSON.stringify(text.slice(0, 40))}`,
  );
}

export function readKey(text: string, path: readonly (string | number)[]): Key {
  const key = parseKey(text);
  if (key.ok) return key.value;
  throw new FieldError(
    path,
    `should be a major or minor key such as "A" or "F#m", not ${JSON.stringify(text.slice(0, 40))}`,
  );
}

export function readTuning(texts: readonly string[], path: readonly (string | number)[]): Tuning {
  const tuning = parseTuning(texts);
  if (tuning.ok) return tuning.value;
  const { problem } = tuning;
  if (problem.code === "string-count") {
    throw new FieldError(path, `should list 3 to 8 strings, not ${problem.count}`);
  }
  throw new FieldError(
    [...path, problem.string],
    `should be a pitch such as "E2", not ${JSON.stringify(problem.text)}`,
  );
}

/** Refuses the second of two equal ids, at its own path. */
export function refuseRepeats(
  ids: readonly string[],
  pathOf: (index: number) => readonly (string | number)[],
): void {
  const seen = new Set<string>();
  for (const [index, id] of ids.entries()) {
    if (seen.has(id))
      throw new FieldError(pathOf(index), `should be unique: ${JSON.stringify(id)} stands twice`);
    seen.add(id);
  }
}

const whole = (what: string, least: number, most: number) => {
  const message = `should be ${what} from ${least} to ${most}`;
  return z.int({ error: message }).min(least, { error: message }).max(most, { error: message });
};

/** Fields that several engines share. */
export const fields = {
  whole,
  symbol: z.string({ error: CHORD_EXAMPLE }),
  key: z.string({ error: 'should be a major or minor key such as "A" or "F#m"' }),
  id: z.string({ error: "should be a text" }).min(1, { error: "should not be empty" }),
  flag: z.boolean({ error: "should be true or false" }),
  tuning: z.array(z.string({ error: 'should be a pitch such as "E2"' }), {
    error: "should be a list of 3 to 8 pitches, from the string nearest the player's face",
  }),
  beats: z
    .number({ error: "should be a number of beats" })
    .positive({ error: "should be more than 0 beats" })
    .max(100000, {
      error: "should be at most 100000 beats",
    }),
  level: z.enum(["beginner", "steady", "fluent"], { error: 'should be "beginner", "steady" or "fluent"' }),
  scaleMm: z
    .number({ error: "should be a scale length in millimetres" })
    .min(200, { error: "should be at least 200 mm" })
    .max(1200, { error: "should be at most 1200 mm" }),
} as const;
