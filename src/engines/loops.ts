import { z } from "zod";
import {
  type ChordBeats,
  describeLoopProblem,
  type LoopCase,
  type LoopLayer,
  type LoopProblem,
  type LoopSection,
  MOST_LAYERS,
  planLoops,
} from "@/core/loops";
import { MOST_BPM } from "@/core/rhythm";
import { LOOP_SCHOOLS, LOOP_STARTS, MOST_BOX_TRACKS, WANTS } from "@/core/song/schema";
import { engine, FieldError } from "./engine";
import { fields, readChord, readKey, refuseRepeats } from "./fields";

export const MOST_LOOP_SECTIONS = 400;

const bars = z
  .number({ error: "should be a number of bars" })
  .positive({ error: "should be more than 0 bars" })
  .max(1000, { error: "should be at most 1000 bars" });
const chordList = z.array(z.object({ symbol: fields.symbol, beats: fields.beats }), {
  error: 'should be a list of chords such as { "symbol": "Em7", "beats": 4 }',
});
const parts = z.array(fields.id, { error: 'should be a list such as ["hands", "mouth"]' });

const layer = z.object({
  id: fields.id,
  kind: z.enum(["pitched", "unpitched"], { error: 'should be "pitched" or "unpitched"' }),
  bars,
  progression: chordList.default([]),
  needs: parts.default([]),
  steady: fields.flag.default(false),
  recordWith: fields.id.nullable().default(null),
});

const section = z.object({
  id: fields.id,
  bars,
  busy: parts.default([]),
  chords: chordList.default([]),
  want: z
    .record(z.string(), z.enum(WANTS, { error: 'should be "on", "off" or "either"' }), {
      error: 'should say of each layer "on", "off" or "either"',
    })
    .default({}),
});

export const loopsInput = z.object({
  looper: z.object(
    {
      tracks: fields.whole("a number of tracks", 1, MOST_BOX_TRACKS),
      allStart: fields.flag.default(true),
      allStop: fields.flag.default(true),
      quantised: fields.flag.default(false),
      toggleAll: fields.flag.default(false),
    },
    { error: 'should be a box such as { "tracks": 4, "allStart": true, "allStop": true }' },
  ),
  tempo: z
    .number({ error: "should be beats a minute" })
    .min(1, { error: "should be at least 1 beat a minute" })
    .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` }),
  beatsPerBar: fields.whole("beats in a bar", 1, 64).default(4),
  startFrom: z.enum(LOOP_STARTS, { error: 'should be "silence" or "running"' }).default("silence"),
  school: z
    .enum(LOOP_SCHOOLS, { error: `should be ${LOOP_SCHOOLS.map((one) => `"${one}"`).join(" or ")}` })
    .default("chords-first"),
  key: fields.key.nullable().default(null),
  listen: fields.flag.default(false),
  layers: z
    .array(layer, { error: "should be a list of layers" })
    .min(1, { error: "should have at least one layer" })
    .max(MOST_LAYERS, { error: `should have at most ${MOST_LAYERS} layers` }),
  sections: z
    .array(section, { error: "should be a list of sections" })
    .min(1, { error: "should have at least one section" })
    .max(MOST_LOOP_SECTIONS, { error: `should have at most ${MOST_LOOP_SECTIONS} sections` }),
  pins: z
    .record(z.string(), z.int({ error: "should be the index of a track" }), {
      error: 'should say the track of a layer, such as { "clap": 2 }',
    })
    .default({}),
  buildOrder: z
    .array(z.array(fields.id).min(1, { error: "should name the layers of a pass" }), {
      error: 'should be the passes of the build, such as [["pulse"], ["hum", "clap"]]',
    })
    .optional(),
});

type Input = z.output<typeof loopsInput>;

const readChords = (
  chords: readonly { readonly symbol: string; readonly beats: number }[],
  path: readonly (string | number)[],
): ChordBeats[] =>
  chords.map(({ symbol, beats }, at) => ({ chord: readChord(symbol, [...path, at, "symbol"]), beats }));

/** Checks what a schema can't and reads chords and key. */
export function readLoopCase(input: Input, path: readonly (string | number)[] = []): LoopCase {
  const { layers, sections, pins, looper } = input;
  const ids = layers.map(({ id }) => id);
  refuseRepeats(ids, (index) => [...path, "layers", index, "id"]);
  refuseRepeats(
    sections.map(({ id }) => id),
    (index) => [...path, "sections", index, "id"],
  );
  const known = new Set(ids);
  const refuseUnknown = (id: string, at: readonly (string | number)[]) => {
    if (!known.has(id))
      throw new FieldError([...path, ...at], `should name a layer, not ${JSON.stringify(id)}`);
  };
  for (const [at, { recordWith, id }] of layers.entries()) {
    if (recordWith === null) continue;
    refuseUnknown(recordWith, ["layers", at, "recordWith"]);
    if (recordWith === id)
      throw new FieldError([...path, "layers", at, "recordWith"], "should name another layer");
  }
  for (const [at, { want }] of sections.entries())
    for (const id of Object.keys(want)) refuseUnknown(id, ["sections", at, "want", id]);
  for (const [id, track] of Object.entries(pins)) {
    refuseUnknown(id, ["pins", id]);
    if (track < 0 || track >= looper.tracks)
      throw new FieldError([...path, "pins", id], `should be a track from 0 to ${looper.tracks - 1}`);
  }
  refuseBuildOrder(input, path);
  return {
    ...input,
    key: input.key === null ? null : readKey(input.key, [...path, "key"]),
    layers: layers.map((one, at) => readLayer(one, input.beatsPerBar, [...path, "layers", at])),
    sections: sections.map(
      (one, at): LoopSection => ({
        ...one,
        chords: readChords(one.chords, [...path, "sections", at, "chords"]),
      }),
    ),
  };
}

/** An order of passes names every layer once, and layers that are recorded together in one pass. */
function refuseBuildOrder({ buildOrder, layers }: Input, path: readonly (string | number)[]): void {
  if (!buildOrder) return;
  const at = [...path, "buildOrder"];
  const passOf = new Map<string, number>();
  for (const [pass, ids] of buildOrder.entries())
    for (const [place, id] of ids.entries()) {
      if (!layers.some((layer) => layer.id === id))
        throw new FieldError([...at, pass, place], `should name a layer, not ${JSON.stringify(id)}`);
      if (passOf.has(id)) throw new FieldError([...at, pass, place], `should name ${id} once`);
      passOf.set(id, pass);
    }
  const missing = layers.find(({ id }) => !passOf.has(id));
  if (missing) throw new FieldError(at, `should name every layer, ${missing.id} too`);
  const apart = layers.find(
    ({ id, recordWith }) => recordWith !== null && passOf.get(id) !== passOf.get(recordWith),
  );
  if (apart)
    throw new FieldError(
      at,
      `should have ${apart.id} in one pass with ${apart.recordWith}, as it is recorded`,
    );
}

function readLayer(
  one: Input["layers"][number],
  beatsPerBar: number,
  path: readonly (string | number)[],
): LoopLayer {
  const progression = readChords(one.progression, [...path, "progression"]);
  const sum = progression.reduce((beats, chord) => beats + chord.beats, 0);
  const wanted = one.bars * beatsPerBar;
  if (progression.length > 0 && Math.abs(sum - wanted) > 1e-6)
    throw new FieldError(
      [...path, "progression"],
      `should sum to ${wanted} beats (bars × beatsPerBar), not ${Number(sum.toFixed(6))}`,
    );
  return { ...one, progression };
}

export type LoopsQuestion = {
  readonly looped: LoopCase;
  /** Whether to ask as well what less footwork would cost: the longer half of the work. */
  readonly trade: boolean;
};

export const loops = engine({
  name: "loops",
  summary:
    "Puts a looper's layers on tracks, says what sounds where, and plans the feet, the build and what clashes.",
  steps: { http: { most: 400_000_000 }, window: 60_000_000 },
  input: loopsInput,
  read: (input): LoopsQuestion => ({ looped: readLoopCase(input), trade: true }),
  compute: ({ looped, trade }, { budget }) =>
    planLoops(budget === undefined ? looped : { ...looped, budget }, { trade }),
  tell: (plan) => ({
    ...plan,
    clashes: plan.clashes.map(({ layer, section, beats, why, shift }) => ({
      layer,
      section,
      beats,
      why,
      ...(shift === undefined ? {} : { shift }),
    })),
  }),
  refuse: (problem) => new FieldError(pathOf(problem), describeLoopProblem(problem)),
});

/** The field at fault. */
function pathOf(problem: LoopProblem): (string | number)[] {
  if (problem.code === "pins-apart") return ["pins", problem.pair.b.id];
  return problem.code === "pins" ? ["pins"] : ["looper", "tracks"];
}
