import { z } from "zod";
import { capoTable, HIGHEST_CAPO } from "../fretboard";
import { formatKey, GUITAR_TUNING } from "../pitch";
import { engine, fields, readChord, readKey, readTuning } from "./engine";

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

export const capo = engine(
  "capo",
  "For each capo the shapes a guitar plays and what they cost the hand, easiest first.",
  input,
  ({ key, chords, tuning, ...options }) => {
    const sounding = readKey(key, ["key"]);
    const strings = readTuning(tuning, ["tuning"]);
    const read = chords.map(({ symbol, beats }, index) => ({
      chord: readChord(symbol, ["chords", index, "symbol"]),
      beats,
    }));
    const rows = capoTable(sounding, read, { ...options, tuning: strings });
    return { options: rows.map((row) => ({ ...row, shapeKey: formatKey(row.shapeKey) })) };
  },
);
