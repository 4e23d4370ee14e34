import { z } from "zod";
import { HIGHEST_CAPO } from "@/core/fretboard";
import type { SplitPlayer, SplitSection } from "@/core/parts";
import { MOST_BPM } from "@/core/rhythm";
import { usualTuning } from "@/core/song/read";
import { INSTRUMENTS } from "@/core/song/schema";
import { FieldError } from "./engine";
import { fields, readChord, readTuning } from "./fields";
import { pitchField, readPitch } from "./hand";

const chordField = z.union([fields.symbol, z.object({ symbol: fields.symbol, beats: fields.beats })], {
  error: 'should be a chord such as { "symbol": "Em7", "beats": 4 }',
});

/** What is known of a section to be split or arranged. */
export const sectionFields = {
  id: fields.id,
  bars: fields.whole("a number of bars", 1, 1000),
  chords: z.array(chordField, { error: "should be a list of chords with beats" }).default([]),
  voice: z
    .object(
      { low: pitchField, high: pitchField },
      { error: 'should be null or what is sung, such as { "low": "A3", "high": "D5" }' },
    )
    .nullable()
    .default(null),
  energy: fields.whole("an energy", 0, 4),
  bass: z.enum(["needed", "free"], { error: 'should be "needed" or "free"' }),
};

/** A player, by what they can reach and do. */
export const playerFields = {
  id: fields.id,
  instrument: z.enum(INSTRUMENTS, { error: `should be one of ${INSTRUMENTS.join(", ")}` }),
  tuning: fields.tuning.optional(),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  level: fields.level,
  range: z.tuple([pitchField, pitchField], { error: 'should be two pitches, such as ["E2", "E5"]' }),
  sings: fields.flag.default(false),
  loops: fields.flag.default(false),
};

export const tempoField = z
  .number({ error: "should be beats a minute" })
  .min(1, { error: "should be at least 1 beat a minute" })
  .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` });

export const weightField = z
  .number({ error: "should be a weight" })
  .min(0, { error: "should be 0 or more" })
  .max(1000);

type SectionGiven = z.output<z.ZodObject<typeof sectionFields>>;
type PlayerGiven = z.output<z.ZodObject<typeof playerFields>>;

/** Chords without beats share the section; bars past the last chord have none. */
export function readSection(
  { id, bars, chords, voice, energy, bass }: SectionGiven,
  place: readonly (string | number)[],
  inBar: number,
): SplitSection {
  const even = (bars * inBar) / Math.max(1, chords.length);
  const chordBars = new Set<number>();
  let beat = 0;
  for (const [at, given] of chords.entries()) {
    const { symbol, beats } = typeof given === "string" ? { symbol: given, beats: even } : given;
    const chord = readChord(symbol, [
      ...place,
      "chords",
      at,
      ...(typeof given === "string" ? [] : ["symbol"]),
    ]);
    if (chord.kind === "chord")
      for (let bar = Math.floor(beat / inBar + 1e-9); bar < (beat + beats) / inBar - 1e-9; bar++)
        if (bar < bars) chordBars.add(bar);
    beat += beats;
  }
  if (!voice) return { id, bars, chordBars: [...chordBars], voice, energy, bass };
  const low = readPitch(voice.low, [...place, "voice", "low"]);
  const high = readPitch(voice.high, [...place, "voice", "high"]);
  if (low > high) throw new FieldError([...place, "voice", "high"], "should not lie below the low pitch");
  return { id, bars, chordBars: [...chordBars], voice: { low, high }, energy, bass };
}

export function readPlayer(given: PlayerGiven, place: readonly (string | number)[]): SplitPlayer {
  const { id, instrument, range, capo, level, sings, loops } = given;
  const [low, high] = range.map((text, at) => readPitch(text, [...place, "range", at])) as [number, number];
  if (low > high) throw new FieldError([...place, "range", 1], "should not lie below the first pitch");
  const usual = usualTuning(instrument);
  const tuning = usual.length > 0 ? readTuning(given.tuning ?? usual, [...place, "tuning"]) : [];
  return { id, instrument, tuning, capo, level, range: [low, high], sings, loops };
}
