import { z } from "zod";
import { degreeLine as findLine, HIGHEST_CAPO } from "@/core/fretboard";
import { GUITAR_TUNING } from "@/core/pitch";
import { MOST_CHANGES } from "./changes";
import { FieldError, plainEngine } from "./engine";
import { fields, readChord, readTuning } from "./fields";
import { pitchField, readPitch } from "./hand";

const degree = z
  .string({ error: 'should be a degree such as "1", "3" or "b7"' })
  .regex(/^[#b]{0,2}(1|2|3|4|5|6|7|9|11|13)$/u, { error: 'should be a degree such as "1", "3" or "b7"' });

const input = z.object({
  changes: z
    .array(z.object({ symbol: fields.symbol, beats: fields.beats.optional() }), {
      error: "should be a list of chords",
    })
    .min(1, { error: "should have at least one chord" })
    .max(MOST_CHANGES, { error: `should have at most ${MOST_CHANGES} chords` }),
  range: z.tuple([pitchField, pitchField], { error: 'should be two pitches, such as ["E2", "E3"]' }),
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  allowed: z.array(degree, { error: 'should be a list of degrees such as ["1", "3", "5"]' }).min(1, {
    error: "should allow at least one degree",
  }),
});

export const degreeLine = plainEngine({
  name: "degree-line",
  summary: "A line of one chord tone for each chord that moves as little as can be.",
  input,
  compute: ({ changes, range, tuning, capo, allowed }) => {
    const [low, high] = range.map((text, index) => readPitch(text, ["range", index])) as [number, number];
    if (low > high) throw new FieldError(["range", 1], "should not lie below the first pitch");
    const chords = changes.map(({ symbol }, index) => readChord(symbol, ["changes", index, "symbol"]));
    const found = findLine(chords, {
      tuning: readTuning(tuning, ["tuning"]),
      capo,
      range: [low, high],
      allowed,
    });
    if (found.ok) return found.value;
    throw new FieldError(
      ["changes", found.problem, "symbol"],
      "should have an allowed tone within the range on this neck, and has none",
    );
  },
});
