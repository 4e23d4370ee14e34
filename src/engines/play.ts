import { z } from "zod";
import { HIGHEST_CAPO } from "@/core/fretboard";
import { formatPitch, GUITAR_TUNING } from "@/core/pitch";
import { type Onset, type PlayEvent, play as playEvents, SPREAD_MS, type Strokes } from "@/core/playing";
import {
  beatUnitOf,
  EVEN,
  MOST_BPM,
  MOST_SWING,
  PATTERN_KINDS,
  type Pattern,
  readPattern,
  tempoMs,
} from "@/core/rhythm";
import { FieldError, plainEngine } from "./engine";
import { fields, readTuning } from "./fields";
import { pitchField, readPitch } from "./hand";
import { meterField, readMeterAt, ticksOfBeatAt } from "./meter-field";
import { patternError } from "./pattern-error";

const MOST_EVENTS = 10_000;
const MOST_STROKES = 200_000;
const HIGHEST_FRET = 30;
const MOST_NOTES = 128;
const MOST_SPREAD_MS = 500;

const number = (what: string, least: number, most: number) => {
  const message = `should be ${what} from ${least} to ${most}`;
  return z.number({ error: message }).min(least, { error: message }).max(most, { error: message });
};

const event = z.object({
  at: number("a beat", 0, 100_000),
  beats: fields.beats,
  frets: z
    .array(fields.whole("a fret", 0, HIGHEST_FRET).nullable(), {
      error: "should be a fret for each string, null where it is not played",
    })
    .optional(),
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  pattern: z.string({ error: 'should be strokes such as "D . D U . U D U"' }).optional(),
  subdivision: z.number({ error: "should be 2, 3 or 4" }).default(2),
  notes: z
    .array(pitchField, { error: "should be a list of pitches" })
    .max(MOST_NOTES, { error: `should have at most ${MOST_NOTES} pitches` })
    .default([]),
});
type Event = z.output<typeof event>;

const input = z.object({
  tempo: number("beats a minute", 1, MOST_BPM),
  beatUnit: z.string({ error: 'should be a note value such as "1/4" or "1/4."' }).optional(),
  meter: meterField,
  swing: number("a share of a pair", EVEN, MOST_SWING).default(EVEN),
  events: z
    .array(event, { error: "should be a list of events" })
    .max(MOST_EVENTS, { error: `should have at most ${MOST_EVENTS} events` }),
  spreadMs: number("milliseconds", 0, MOST_SPREAD_MS).default(SPREAD_MS),
});
type Input = z.output<typeof input>;

/** A pattern of whichever signs it is written in; three to a beat have no pairs to swing. */
function readStrokes(
  text: string,
  { subdivision }: Event,
  { meter, swing }: Input,
  path: readonly (string | number)[],
): Strokes {
  const asked = { meter, subdivision, swing: subdivision === 3 ? EVEN : swing, text };
  const tried = PATTERN_KINDS.map((kind) => readPattern({ ...asked, kind }));
  const read = tried.find((one): one is { ok: true; value: Pattern } => one.ok);
  if (read) return read.value;
  const [first] = tried;
  if (!first || first.ok) throw new Error("Expected a pattern to be refused for a reason.");
  throw patternError(
    first.problem,
    path,
    "D, U, fingers p i m a or zones L M H (with a weight 1 to 3), x, . or -",
  );
}

function readEvent(given: Event, index: number, whole: Input): PlayEvent {
  const path = ["events", index];
  const { at, beats, frets, capo } = given;
  const tuning = readTuning(given.tuning, [...path, "tuning"]);
  if (frets && frets.length !== tuning.length)
    throw new FieldError(
      [...path, "frets"],
      `should have a fret or null for each of ${tuning.length} strings, not ${frets.length}`,
    );
  if (!frets && given.notes.length === 0)
    throw new FieldError([...path, "frets"], "should be given where there are no notes");
  return {
    at,
    beats,
    held: frets ? { frets, tuning, capo } : null,
    notes: given.notes.map((text, note) => readPitch(text, [...path, "notes", note])),
    pattern: given.pattern === undefined ? null : readStrokes(given.pattern, given, whole, path),
  };
}

const tellOnset = ({ ms, pitch, lastsMs, string, velocity, stroke }: Onset) => ({
  ms,
  pitch: pitch === null ? null : formatPitch(pitch),
  lastsMs,
  ...(string === null ? {} : { string }),
  velocity,
  ...(stroke === null ? {} : { stroke }),
});

export const play = plainEngine({
  name: "play",
  summary: "Turns shapes, strums, picking and notes into what sounds: when, how high, how long, how loud.",
  input,
  compute: (given) => {
    readMeterAt(given.meter, ["meter"]);
    const unit = given.beatUnit ?? beatUnitOf(given.meter);
    const beat = ticksOfBeatAt(unit, ["beatUnit"]);
    let strokes = 0;
    for (const [index, { beats, subdivision }] of given.events.entries()) {
      strokes += Math.ceil(beats * subdivision);
      if (strokes > MOST_STROKES)
        throw new FieldError(
          ["events", index, "beats"],
          `should make at most ${MOST_STROKES} strokes in all`,
        );
    }
    const beatMs = tempoMs(beat, { bpm: given.tempo, beatUnit: unit });
    const events = given.events.map((one, index) => readEvent(one, index, given));
    const onsets = playEvents(events, { msOf: (beats) => beats * beatMs, spreadMs: given.spreadMs });
    return { onsets: onsets.map(tellOnset) };
  },
});
