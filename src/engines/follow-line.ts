import { z } from "zod";
import { HIGHEST_CAPO, LAST_FRET, type Movable, moveLine, NOTE_ARTS } from "@/core/fretboard";
import { GUITAR_TUNING } from "@/core/pitch";
import { FieldError, plainEngine } from "./engine";
import { fields, readTuning } from "./fields";

const MOST_NOTES = 4096;
const MOST_SEMITONES = 48;
/** Beats are told apart as finely as this many to a beat. */
const PER_BEAT = 1e6;

const note = z.looseObject({
  at: z
    .number({ error: "should be beats from the beginning of the line" })
    .min(0, { error: "should be 0 beats or more" })
    .max(1e6, { error: "should be at most 1000000 beats" }),
  beats: fields.beats,
  string: fields.whole("a string, counted from 0,", 0, 7),
  fret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET),
});

const input = z.object({
  notes: z
    .array(note, { error: "should be a list of notes" })
    .max(MOST_NOTES, { error: `should have at most ${MOST_NOTES} notes` }),
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  by: fields.whole("semitones", -MOST_SEMITONES, MOST_SEMITONES),
  maxFret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET).default(19),
});

type Given = z.output<typeof note>;

/** A note with what of its marks the hand minds; others are kept as they come. */
const asMovable = (given: Given): Movable & { readonly given: Given } => {
  const art = NOTE_ARTS.find((one) => one === given.art);
  const bend = typeof given.bend === "number" ? given.bend : 0;
  return {
    tick: Math.round(given.at * PER_BEAT),
    string: given.string,
    fret: given.fret,
    ...(art ? { art } : {}),
    bend,
    given,
  };
};

export const followLine = plainEngine({
  name: "follow-line",
  summary: "A line so many semitones away: on its strings, fingered anew, or behind another capo.",
  input,
  compute: ({ notes, tuning, capo, by, maxFret }) => {
    const strings = readTuning(tuning, ["tuning"]);
    for (const [at, { string }] of notes.entries())
      if (string >= strings.length)
        throw new FieldError(
          ["notes", at, "string"],
          `should be a string of this tuning, 0 to ${strings.length - 1}`,
        );
    const neck = { tuning: strings, capo };
    const ways = moveLine(notes.map(asMovable), { from: neck, to: neck, by, maxFret });
    return {
      ways: ways.map(({ notes: moved, ...way }) => ({
        ...way,
        notes: moved.map(({ given, string, fret }) => ({ ...given, string, fret })),
      })),
    };
  },
});
