import { z } from "zod";
import { planted as findPlanted, type HandEvent, HIGHEST_CAPO, type PlantedOptions } from "@/core/fretboard";
import { pathFields, readChanges, refusedPath } from "./changes";
import { engine, FieldError } from "./engine";
import { fields } from "./fields";
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

export type PlantedQuestion = {
  readonly changes: readonly HandEvent[];
  readonly options: Omit<PlantedOptions, "budget" | "onProgress">;
};

export const planted = engine({
  name: "planted",
  summary: "Arrangements in which one or two fingers stay down through the song, with what each costs.",
  steps: { http: 600_000_000, window: 200_000_000 },
  input,
  read: ({ changes, tempo, beatUnit: _unit, capos, limit, cyclic: _cyclic, ...hand }): PlantedQuestion => {
    const note = changes.findIndex((one) => "string" in one);
    if (note >= 0) throw new FieldError(["changes", note], "should be a chord or a ring, not a single note");
    const options = readHand({ ...hand, capo: 0 });
    return {
      changes: readChanges(changes, options.tuning.length),
      options: { ...options, capos: [...new Set(capos)], limit, beatMs: 60000 / tempo },
    };
  },
  compute: ({ changes, options }, work) => findPlanted(changes, { ...options, ...work }),
  refuse: (problem, { changes }) =>
    refusedPath(
      problem,
      changes,
      changes.map((_, index) => index),
    ),
});
