import { z } from "zod";
import { planted as findPlanted, HIGHEST_CAPO } from "../fretboard";
import { pathFields, readChanges, refusePath } from "./changes";
import { engine, FieldError, fields } from "./engine";
import { handFields, readHand } from "./hand";

const { capo: _capo, ...hand } = handFields;

const input = z.object({
  ...hand,
  ...pathFields,
  capos: z
    .array(fields.whole("a fret", 0, HIGHEST_CAPO), { error: "should be a list of capos" })
    .min(1, { error: "should have at least one capo" })
    .max(HIGHEST_CAPO + 1, { error: "should name each capo once" })
    .default([0]),
  cyclic: z
    .literal(false, {
      error: "should be false or left out: a song is planned from its first change to its last",
    })
    .default(false),
});

export const planted = engine(
  "planted",
  "Arrangements in which one or two fingers stay down through the song, with what each costs.",
  input,
  ({ changes, tempo, beatUnit: _unit, capos, limit, cyclic: _cyclic, budget, ...rest }) => {
    const note = changes.findIndex((one) => "string" in one);
    if (note >= 0) throw new FieldError(["changes", note], "should be a chord or a ring, not a single note");
    const options = readHand({ ...rest, capo: 0, budget });
    const chart = readChanges(changes, options.tuning.length);
    const found = findPlanted(chart, {
      ...options,
      capos: [...new Set(capos)],
      limit,
      budget,
      beatMs: 60000 / tempo,
    });
    return found.ok
      ? found.value
      : refusePath(
          found.problem,
          changes,
          chart.map((_, index) => index),
        );
  },
);
