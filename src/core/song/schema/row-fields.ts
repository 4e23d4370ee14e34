import { z } from "zod";
import { idSchema, isStorable } from "../../../document";
import { HIGHEST_CAPO } from "../../fretboard";
import { METER_UNITS, MOST_BEATS_IN_A_BAR, MOST_BPM } from "../../rhythm";

/** Kinds of field that rows of the document share. Text is kept as typed; lengths are bounded. */
export const text = (longest: number) =>
  z
    .string()
    .max(longest, { error: `should have at most ${longest} characters` })
    .refine(isStorable, { error: "holds signs that can't be kept" });

export const ticks = z.int().min(0).max(100_000_000);

export const order = z.string().regex(/^[0-9A-Za-z]{1,80}$/u);
export const optionalId = idSchema.nullable();

export const keySchema = z
  .string()
  .regex(/^[A-G](#|b)?m?$/u, { error: 'should be a key such as "A" or "F#m"' });
export const symbolSchema = text(40).min(1);
export const capoSchema = z
  .int()
  .min(0)
  .max(HIGHEST_CAPO, { error: `should be a fret from 0 to ${HIGHEST_CAPO}` });
export const range = z.tuple([z.int().min(0).max(127), z.int().min(0).max(127)]).nullable();

export const shiftSchema = z.int().min(-11).max(11, { error: "should be at most 11 semitones up or down" });
export const bpm = z
  .number()
  .min(1, { error: "should be at least 1 beat a minute" })
  .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` });
export const beatUnit = z.string().regex(/^1\/(1|2|4|8|16|32)\.?$/u);
export const meterBeats = z.int().min(1, { error: "should be at least 1" }).max(MOST_BEATS_IN_A_BAR);
export const meterUnit = z.union(
  METER_UNITS.map((unit) => z.literal(unit)),
  { error: `should be one of ${METER_UNITS.join(", ")}` },
);

/** Strings counted from the player's face. */
export const stringSet = z.array(z.int().min(0).max(7)).min(1).max(8);
