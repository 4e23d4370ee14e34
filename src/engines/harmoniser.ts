import { z } from "zod";
import { type HarmonyInterval, HIGHEST_CAPO, harmonise, LAST_FRET } from "@/core/fretboard";
import { GUITAR_TUNING, readNoteNameHead, SCALE_NAMES, scaleOfKey } from "@/core/pitch";
import { plainEngine } from "./engine";
import { fields, readKey, readTuning } from "./fields";
import { pitchField, readPitch } from "./hand";

const MOST_SEMITONES = 24;
const MOST_DEGREES = 14;

const interval = z.union(
  [
    fields.whole("a number of semitones", -MOST_SEMITONES, MOST_SEMITONES),
    z.object({
      degrees: fields.whole("a number of degrees", -MOST_DEGREES, MOST_DEGREES),
      key: fields.key,
      scale: z.enum(SCALE_NAMES, { error: `should be one of ${SCALE_NAMES.join(", ")}` }).optional(),
    }),
  ],
  {
    error: 'should be semitones from -24 to 24, or { "degrees", "key", "scale"? } with 2 degrees for a third',
  },
);

const input = z.object({
  notes: z
    .array(pitchField, { error: "should be a list of pitches" })
    .min(1, { error: "should have at least one note" })
    .max(500, { error: "should have at most 500 notes" }),
  interval,
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  maxFret: fields.whole("a fret, counted from the capo,", 0, LAST_FRET).default(19),
  scaleMm: fields.scaleMm.optional(),
});

function readInterval(value: z.infer<typeof interval>): HarmonyInterval {
  if (typeof value === "number") return { semitones: value };
  const key = readKey(value.key, ["interval", "key"]);
  return { degrees: value.degrees, key, scale: value.scale ?? scaleOfKey(key) };
}

export const harmoniser = plainEngine({
  name: "harmoniser",
  summary: "What a harmony effect sounds, and every way to give the same on two strings.",
  input,
  compute: ({ notes, interval: wanted, tuning, ...options }) => {
    const read = notes.map((text, index) => {
      const midi = readPitch(text, ["notes", index]);
      const name = readNoteNameHead(text.trim())?.name;
      return name === undefined ? { midi } : { midi, name };
    });
    return harmonise(read, {
      ...options,
      interval: readInterval(wanted),
      tuning: readTuning(tuning, ["tuning"]),
    });
  },
});
