import { z } from "zod";
import { COLOURS } from "@/core/chord";
import { type FingeringOptions, HIGHEST_CAPO, LAST_FRET, STYLES } from "@/core/fretboard";
import { GUITAR_TUNING, parsePitch } from "@/core/pitch";
import { FieldError } from "./engine";
import { fields, readTuning } from "./fields";

/** A hand, a neck, and what may be played on it: fields several engines share. */
export const handFields = {
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  scaleMm: fields.scaleMm.optional(),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  minFret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET).optional(),
  maxFret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET).default(15),
  open: fields.flag.optional(),
  strings: z
    .array(fields.whole("a string, counted from 0,", 0, 7), { error: "should be a list of string numbers" })
    .optional(),
  style: z.enum(STYLES, { error: `should be one of ${STYLES.join(", ")}` }).default("full"),
  inversions: fields.flag.default(false),
  thumb: fields.flag.default(false),
  allow: z.array(z.enum(COLOURS, { error: `should be one of ${COLOURS.join(", ")}` })).default([]),
  level: fields.level.default("fluent"),
} as const;

const handSchema = z.object(handFields);

/** Reads the shared fields. */
export function readHand(input: z.infer<typeof handSchema>): FingeringOptions {
  const { tuning, strings, ...rest } = input;
  const open = readTuning(tuning, ["tuning"]);
  const off = strings?.findIndex((string) => string >= open.length) ?? -1;
  if (off >= 0)
    throw new FieldError(["strings", off], `should be a string of this tuning, 0 to ${open.length - 1}`);
  return {
    ...rest,
    tuning: open,
    strings: strings && [...new Set(strings)].sort((a, b) => a - b),
  };
}

/** Frets of a shape, a string each. */
export const fretsField = z.array(fields.whole("a fret", 0, LAST_FRET).nullable(), {
  error: "should be a list of frets, null for a string not played",
});

export function checkFrets(
  frets: readonly unknown[],
  strings: number,
  path: readonly (string | number)[],
): void {
  if (frets.length !== strings)
    throw new FieldError(
      path,
      `should have a fret or null for each of the ${strings} strings, not ${frets.length}`,
    );
}

export function readPitch(text: string, path: readonly (string | number)[]): number {
  const pitch = parsePitch(text);
  if (pitch.ok) return pitch.value;
  throw new FieldError(path, `should be a pitch such as "E2", not ${JSON.stringify(text.slice(0, 40))}`);
}

export const pitchField = z.string({ error: 'should be a pitch such as "E2"' });
