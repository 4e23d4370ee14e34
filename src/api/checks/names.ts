import { z } from "zod";
import { ACCIDENTALS } from "@/core/pitch";
import { LINE_READS, READS, WRITINGS } from "@/core/song/schema";
import { idSchema } from "@/document";

const oneOf = <const Value extends readonly [string, ...string[]]>(values: Value) =>
  z.enum(values, { error: `should be one of ${values.join(", ")}` }).optional();

/** How names are told in an answer; what is not said is as each reads. */
export const namesAsked = {
  shows: oneOf(READS),
  of: idSchema.optional(),
  writing: oneOf(WRITINGS),
  accidentals: oneOf(ACCIDENTALS),
  lines: oneOf(LINE_READS),
};
