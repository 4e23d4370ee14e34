import { z } from "zod";
import { ok } from "@/base";
import { HIGHEST_CAPO } from "@/core/fretboard";
import {
  SCHOOLS,
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitPlayer,
  type SplitSection,
  splitBy,
} from "@/core/parts";
import { formatPitch } from "@/core/pitch";
import { beatsOfBar, beatUnitOf, MOST_BPM } from "@/core/rhythm";
import { TECHNIQUES, usualTuning } from "@/core/song/read";
import { INSTRUMENTS } from "@/core/song/schema";
import { engine, FieldError } from "./engine";
import { fields, readChord, readTuning, refuseRepeats } from "./fields";
import { pitchField, readPitch } from "./hand";
import { meterField, readMeterAt } from "./meter-field";

const chordField = z.union([fields.symbol, z.object({ symbol: fields.symbol, beats: fields.beats })], {
  error: 'should be a chord such as { "symbol": "Em7", "beats": 4 }',
});

const section = z.object({
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
});

const player = z.object({
  id: fields.id,
  instrument: z.enum(INSTRUMENTS, { error: `should be one of ${INSTRUMENTS.join(", ")}` }),
  tuning: fields.tuning.optional(),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  level: fields.level,
  range: z.tuple([pitchField, pitchField], { error: 'should be two pitches, such as ["E2", "E5"]' }),
  sings: fields.flag.default(false),
  loops: fields.flag.default(false),
});

const weight = z.number({ error: "should be a weight" }).min(0, { error: "should be 0 or more" }).max(1000);

const input = z.object({
  tempo: z
    .number({ error: "should be beats a minute" })
    .min(1, { error: "should be at least 1 beat a minute" })
    .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` }),
  meter: meterField,
  sections: z
    .array(section, { error: "should be a list of sections" })
    .min(1, { error: "should have at least one section" })
    .max(200, { error: "should have at most 200 sections" }),
  players: z
    .array(player, { error: "should be a list of players" })
    .min(1, { error: "should have at least one player" })
    .max(8, { error: "should have at most 8 players" }),
  weights: z
    .object({
      register: weight.default(SPLIT_WEIGHTS.register),
      rhythm: weight.default(SPLIT_WEIGHTS.rhythm),
      bass: weight.default(SPLIT_WEIGHTS.bass),
      voice: weight.default(SPLIT_WEIGHTS.voice),
      energy: weight.default(SPLIT_WEIGHTS.energy),
      change: weight.default(SPLIT_WEIGHTS.change),
      idle: weight.default(SPLIT_WEIGHTS.idle),
    })
    .prefault({}),
});

type Input = z.output<typeof input>;

export const split = engine({
  name: "split",
  summary: "Splits a song between players: one proposal of each school, with what counts against it.",
  steps: null,
  input,
  read: ({ meter: metre, sections, players, weights }): SplitCase => {
    const meter = readMeterAt(metre, ["meter"]);
    refuseRepeats(
      sections.map(({ id }) => id),
      (index) => ["sections", index, "id"],
    );
    refuseRepeats(
      players.map(({ id }) => id),
      (index) => ["players", index, "id"],
    );
    const inBar = beatsOfBar(meter, beatUnitOf(meter));
    return {
      meter,
      sections: sections.map((one, index) => readSection(one, index, inBar)),
      players: players.map(readPlayer),
      weights,
      anyRole: true,
    };
  },
  compute: (asked, { onProgress }) =>
    ok(
      SCHOOLS.map((school, at) => {
        onProgress?.(at, SCHOOLS.length);
        return splitBy(asked, school);
      }),
    ),
  tell: (proposals, { weights }, { sections, players }) => ({
    proposals: proposals.map(({ cells, ...rest }) => ({
      ...rest,
      cells: cells.flatMap((row, at) =>
        row.map(({ low, high, ...cell }, who) => ({
          section: sections[at]!.id,
          player: players[who]!.id,
          ...cell,
          low: low === null ? null : formatPitch(low),
          high: high === null ? null : formatPitch(high),
        })),
      ),
    })),
    weights,
    techniques: TECHNIQUES,
  }),
});

/** Chords without beats share the section; bars past the last chord have none. */
function readSection(one: Input["sections"][number], index: number, inBar: number): SplitSection {
  const { id, bars, chords, voice, energy, bass } = one;
  const place = ["sections", index] as const;
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

function readPlayer(one: Input["players"][number], index: number): SplitPlayer {
  const { instrument, range, ...rest } = one;
  const place = ["players", index] as const;
  const [low, high] = range.map((text, at) => readPitch(text, [...place, "range", at])) as [number, number];
  if (low > high) throw new FieldError([...place, "range", 1], "should not lie below the first pitch");
  const usual = usualTuning(instrument);
  const tuning = usual.length > 0 ? readTuning(one.tuning ?? usual, [...place, "tuning"]) : [];
  return { ...rest, instrument, tuning, range: [low, high] };
}
