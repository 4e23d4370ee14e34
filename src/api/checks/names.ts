import { z } from "zod";
import { ACCIDENTALS } from "@/core/pitch";
import { LINE_READS, LONGEST_PLAYER_NAME, READS, WRITINGS } from "@/core/song/schema";

const oneOf = <const Value extends readonly [string, ...string[]]>(values: Value) =>
  z.enum(values, { error: `should be one of ${values.join(", ")}` }).optional();

/** How names are told in an answer; what is not said is as each reads. */
export const namesAsked = {
  shows: oneOf(READS),
  /** A player by name. */
  of: z.string().max(LONGEST_PLAYER_NAME).optional(),
  writing: oneOf(WRITINGS),
  accidentals: oneOf(ACCIDENTALS),
  lines: oneOf(LINE_READS),
};
