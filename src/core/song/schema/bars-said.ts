import { z } from "zod";
import { idSchema } from "../../../document";

const barNumber = z.int().min(0).max(10_000);
const barCount = z.int().min(1).max(10_000);

/** Bars counted from 0 within the section, up to and without the second number. */
const barRange = z.tuple([barNumber, barNumber]);

/**
 * Bars of a section as people say them. Only bars by number stand still; the rest follows the section when it grows:
 * its first or last few, a half of it, and from where a word is sung (a word, characters into it) to the end.
 */
export const barsSaid = z
  .array(
    z.union([
      barRange,
      z.tuple([z.literal("first"), barCount]),
      z.tuple([z.literal("last"), barCount]),
      z.tuple([z.literal("half"), z.union([z.literal(1), z.literal(2)])]),
      z.tuple([z.literal("from"), idSchema]),
    ]),
  )
  .max(32);

export type BarsSaid = readonly Readonly<z.infer<typeof barsSaid>[number]>[];
