import { z } from "zod";
import { COLOURS } from "../chord";
import { fingerings as findFingerings, HIGHEST_CAPO, LAST_FRET, STYLES } from "../fretboard";
import { GUITAR_TUNING } from "../pitch";
import { engine, FieldError, fields, readChord, readTuning } from "./engine";

const input = z.object({
  symbol: fields.symbol,
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  scaleMm: fields.scaleMm.optional(),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  maxFret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET).default(15),
  strings: z
    .array(fields.whole("a string, counted from 0,", 0, 7), { error: "should be a list of string numbers" })
    .optional(),
  style: z.enum(STYLES, { error: `should be one of ${STYLES.join(", ")}` }).default("full"),
  inversions: fields.flag.default(false),
  thumb: fields.flag.default(false),
  allow: z.array(z.enum(COLOURS, { error: `should be one of ${COLOURS.join(", ")}` })).default([]),
  level: fields.level.default("fluent"),
  hands: fields.flag.default(false),
  limit: fields.whole("a number", 0, 1_000_000).optional(),
  budget: fields.whole("a number of search steps", 1, 1_000_000_000).optional(),
});

export const fingerings = engine(
  "fingerings",
  "Every fingering of a chord that the rules of the hand allow, easiest first.",
  input,
  ({ symbol, tuning, strings, style, ...options }) => {
    const chord = readChord(symbol, ["symbol"]);
    const open = readTuning(tuning, ["tuning"]);
    const off = strings?.findIndex((string) => string >= open.length) ?? -1;
    if (off >= 0)
      throw new FieldError(["strings", off], `should be a string of this tuning, 0 to ${open.length - 1}`);
    return findFingerings(chord, {
      ...options,
      style,
      tuning: open,
      strings: strings && [...new Set(strings)].sort((a, b) => a - b),
    });
  },
);
