import { z } from "zod";
import { type HandEvent, LAST_FRET, type LayerProblem } from "@/core/fretboard";
import { MOST_BPM } from "@/core/rhythm";
import { FieldError } from "./engine";
import { fields, readChord } from "./fields";
import { checkFrets, fretsField } from "./hand";

/** What a hand does in time: a chord, the chord before left to ring, or single notes. */
const change = z.union(
  [
    z.object({ symbol: fields.symbol, beats: fields.beats, lock: fretsField.optional() }),
    z.object({ ring: z.literal(true), beats: fields.beats }),
    z.object({
      string: fields.whole("a string, counted from 0,", 0, 7),
      fret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET),
      beats: fields.beats,
      over: fields.flag.optional(),
    }),
  ],
  {
    error:
      'should be a chord ({ "symbol", "beats", "lock"? }), a ring ({ "ring": true, "beats" }) or a note ({ "string", "fret", "beats", "over"? })',
  },
);

export type Change = z.infer<typeof change>;

export const MOST_CHANGES = 200;

/** One change at a time is checked for its own fields, so that an error names the field and not the whole. */
const looseChange = z.unknown().transform((value, context): Change => {
  const isRecord = typeof value === "object" && value !== null;
  const schema = !isRecord
    ? change
    : "ring" in value
      ? change.options[1]
      : "string" in value || "fret" in value
        ? change.options[2]
        : change.options[0];
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  for (const issue of parsed.error.issues)
    context.addIssue({ code: "custom", message: issue.message, path: issue.path });
  return z.NEVER;
});

export const pathFields = {
  changes: z
    .array(looseChange, { error: "should be a list of changes" })
    .min(1, { error: "should have at least one change" })
    .max(MOST_CHANGES, { error: `should have at most ${MOST_CHANGES} changes` }),
  tempo: z
    .number({ error: "should be beats a minute" })
    .min(1, { error: "should be at least 1 beat a minute" })
    .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` }),
  /** The note value tempo and beats are counted in; it changes nothing here, both being in the same. */
  beatUnit: z
    .string({ error: 'should be a note value such as "1/4" or "1/4."' })
    .regex(/^1\/(1|2|4|8|16|32)\.?$/u, { error: 'should be a note value such as "1/4" or "1/4."' })
    .optional(),
  limit: fields.whole("a number of candidates", 1, 1_000_000).optional(),
} as const;

export function readChanges(changes: readonly Change[], strings: number): HandEvent[] {
  return changes.map((one, index): HandEvent => {
    if ("ring" in one) return { kind: "ring", beats: one.beats };
    if ("string" in one) return { kind: "note", ...one };
    const chord = readChord(one.symbol, ["changes", index, "symbol"]);
    if (one.lock) checkFrets(one.lock, strings, ["changes", index, "lock"]);
    return { kind: "chord", chord, beats: one.beats, ...(one.lock ? { lock: one.lock } : {}) };
  });
}

/** Why a hand can't go through these changes, told at its field. */
export function refusedPath(
  problem: LayerProblem,
  changes: readonly Change[],
  of: readonly number[],
): FieldError {
  const index = of[problem.index]!;
  const one = changes[index]!;
  const field =
    "lock" in one && one.lock ? "lock" : "symbol" in one ? "symbol" : "fret" in one ? "fret" : "ring";
  const path = ["changes", index, field] as const;
  switch (problem.code) {
    case "no-fingering":
      return new FieldError(path, "should have a fingering within these options, and has none");
    case "no-hand":
      return new FieldError(path, "should be frets this hand can hold, and no hand can");
    case "wrong-strings":
      return new FieldError(["changes", index, "string"], "should be a string of this tuning");
    case "out-of-neck":
      return new FieldError(path, "should not lie above maxFret");
    case "nothing-rings":
      return new FieldError(path, "should follow a chord: nothing rings before the first change");
  }
}
