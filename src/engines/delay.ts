import { z } from "zod";
import { MOST_BPM, wholeNotesOf } from "@/core/rhythm";
import { delayMs, tempoOfDelay } from "@/core/sounds";
import { FieldError, plainEngine } from "./engine";

const input = z.object({
  tempo: z
    .number({ error: "should be beats a minute" })
    .positive({ error: "should be more than 0 beats a minute" })
    .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` })
    .optional(),
  ms: z
    .number({ error: "should be a time in milliseconds" })
    .positive({ error: "should be more than 0 ms" })
    .max(10_000_000, { error: "should be at most 10000000 ms" })
    .optional(),
  beatUnit: z
    .string({ error: 'should be a note value such as "1/4" or "1/4."' })
    .refine((text) => wholeNotesOf(text) !== null, {
      error: 'should be a note value such as "1/4" or "1/4."',
    })
    .default("1/4"),
  note: z
    .string({ error: 'should be a note value such as "1/4", "1/8." or "1/8t"' })
    .refine((text) => wholeNotesOf(text) !== null, {
      error: 'should be a note value such as "1/4", "1/8." or "1/8t"',
    }),
});

export const delay = plainEngine({
  name: "delay",
  summary: "The time of a note value at a tempo, or the tempo at which it lasts so long.",
  input,
  compute: ({ tempo, ms, beatUnit, note }) => {
    if (tempo !== undefined && ms !== undefined)
      throw new FieldError(["ms"], "should be left out where a tempo is given");
    if (tempo !== undefined) return { ms: delayMs(tempo, beatUnit, note) };
    if (ms === undefined) throw new FieldError(["tempo"], "should be given, or ms instead of it");
    return { tempo: tempoOfDelay(ms, beatUnit, note) };
  },
});
