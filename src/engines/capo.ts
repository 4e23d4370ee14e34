import { z } from "zod";
import { ok } from "@/base";
import type { Chord } from "@/core/chord";
import { type CapoTableOptions, capoTable, HIGHEST_CAPO } from "@/core/fretboard";
import { formatKey, GUITAR_TUNING, type Key } from "@/core/pitch";
import { engine } from "./engine";
import { fields, readChord, readKey, readTuning } from "./fields";

export type CapoQuestion = {
  readonly key: Key;
  readonly chords: readonly { readonly chord: Chord; readonly beats: number }[];
  readonly options: CapoTableOptions;
};

const input = z.object({
  key: fields.key,
  chords: z
    .array(z.object({ symbol: fields.symbol, beats: fields.beats }), {
      error: "should be a list of chords with beats",
    })
    .max(2000),
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  maxCapo: fields.whole("a fret", 0, HIGHEST_CAPO).default(9),
  level: fields.level.default("fluent"),
  scaleMm: fields.scaleMm.optional(),
});

export const capo = engine({
  name: "capo",
  summary: "For each capo the shapes a guitar plays and what they cost the hand, easiest first.",
  steps: null,
  input,
  read: ({ key, chords, tuning, ...options }): CapoQuestion => ({
    key: readKey(key, ["key"]),
    options: { ...options, tuning: readTuning(tuning, ["tuning"]) },
    chords: chords.map(({ symbol, beats }, index) => ({
      chord: readChord(symbol, ["chords", index, "symbol"]),
      beats,
    })),
  }),
  compute: ({ key, chords, options }) => ok(capoTable(key, chords, options)),
  tell: (rows) => ({ options: rows.map((row) => ({ ...row, shapeKey: formatKey(row.shapeKey) })) }),
});
