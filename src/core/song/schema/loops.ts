import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import { optionalId, order, symbolSchema, text, ticks } from "./row-fields";
import { tellChords, tellCount, tellFromOne, tellPedals, tellWishes } from "./telling";

/** What a layer is played with. */
export const LAYER_SOUNDS = [
  "chords",
  "strum",
  "thumb bass",
  "line",
  "thump",
  "chop",
  "clap",
  "voice",
] as const;
export type LayerSound = (typeof LAYER_SOUNDS)[number];

/** Whether a layer has pitches; "damped" has chords, but is kept to a knock on purpose. */
export const LAYER_PITCHES = ["pitched", "unpitched", "damped"] as const;
/** What plays a layer, of one person. */
export const BODY_PARTS = ["hands", "mouth"] as const;
export type BodyPart = (typeof BODY_PARTS)[number];

/** Which layer is recorded first. */
export const LOOP_SCHOOLS = ["chords-first", "beat-first"] as const;
/** What sounds just before the song. */
export const LOOP_STARTS = ["silence", "running"] as const;
/** Where a press stands at its boundary: the first one, or one after it that starts or stops. */
export const PRESS_PLACES = ["first", "late-start", "late-stop"] as const;

export const MOST_BOX_TRACKS = 8;
export const MOST_LAYER_BARS = 64;
export const QUIETEST_DBFS = -60;

/** What a pedal does: a track in or out, everything, the last layer undone, one more layer on a track, nothing. */
const pedalAct = z.string().regex(/^(?:none|start-all|stop-all|undo|(?:track|overdub)-[0-7])$/u, {
  error: "should be an act of a pedal",
});

const pedal = z.object({ name: text(30).min(1), press: pedalAct, double: pedalAct, hold: pedalAct });

/** A looper on the floor, and how songs are built on it. */
const loopBox = defineTable({
  row: z.object({
    id: idSchema,
    order,
    name: text(60).min(1),
    /** Whose feet it stands at; null is the leader's. */
    playerId: optionalId,
    tracks: z
      .int()
      .min(1)
      .max(MOST_BOX_TRACKS, { error: `should be at most ${MOST_BOX_TRACKS} tracks` }),
    allStart: z.boolean(),
    allStop: z.boolean(),
    /** Whether it waits for the loop point. */
    quantised: z.boolean(),
    /** Whether every track must have the length of the first one. */
    sharedLength: z.boolean(),
    undoLast: z.boolean(),
    pedals: z.array(pedal).min(1).max(16),
    school: z.enum(LOOP_SCHOOLS),
    startFrom: z.enum(LOOP_STARTS),
    listen: z.boolean(),
  }),
  called: "looper",
  fields: {
    order: "place in the list",
    allStart: "has a pedal for all in",
    allStop: "has a pedal for all out",
    quantised: "waits for the loop point",
    sharedLength: "has one length for all",
    undoLast: "can undo the last layer",
    startFrom: "what sounds before the song",
    listen: "is heard through first",
  },
  named: ["name"],
  tell: { pedals: tellPedals },
  references: {
    playerId: letsGo("players"),
  },
  since: 5,
  compared: {
    name: "name",
    tracks: "tracks",
    allStart: "has a pedal for all in",
    allStop: "has a pedal for all out",
    quantised: "waits for the loop point",
    sharedLength: "has one length for all",
    undoLast: "can undo the last layer",
    pedals: "pedals",
    school: "school",
    startFrom: "what sounds before the song",
    listen: "is heard through first",
  },
});

/** Something that is recorded and goes round. */
const loopLayer = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    order,
    name: text(60).min(1),
    plays: z.enum(LAYER_SOUNDS),
    pitch: z.enum(LAYER_PITCHES),
    bars: z
      .int({ error: "should be whole bars" })
      .min(1, { error: "should be at least 1 bar" })
      .max(MOST_LAYER_BARS, { error: `should be at most ${MOST_LAYER_BARS} bars` }),
    /** As written, in the key the version's chords are written in; none where that is not known. */
    chords: z.array(z.object({ symbol: symbolSchema, ticks: ticks.min(1) })).max(256),
    riffId: optionalId,
    strumId: optionalId,
    needs: z.array(z.enum(BODY_PARTS)).max(BODY_PARTS.length),
    steady: z.boolean(),
    recordWithId: optionalId,
    /** The layer this one doubles on purpose. */
    doublesId: optionalId,
    /** Its peak, dBFS. */
    level: z
      .number()
      .min(QUIETEST_DBFS, { error: `should be at least ${QUIETEST_DBFS} dBFS` })
      .max(0, { error: "should be at most 0 dBFS" }),
    /** The track it is put on, counted from 0; null leaves it to the plan. */
    track: z
      .int()
      .min(0)
      .max(MOST_BOX_TRACKS - 1)
      .nullable(),
  }),
  called: "layer",
  fields: {
    order: "place in the list",
    riffId: "line",
    strumId: "pattern",
    recordWithId: "recorded with",
    doublesId: "layer doubled",
    level: "level in dBFS",
  },
  named: ["name"],
  quiet: ["originId"],
  tell: { chords: tellChords, track: tellFromOne },
  references: {
    riffId: letsGo("riffs"),
    strumId: letsGo("strums"),
    recordWithId: letsGo("loopLayers"),
    doublesId: letsGo("loopLayers"),
  },
  since: 5,
  compared: {
    name: "name",
    plays: "way of playing",
    pitch: "pitch",
    bars: "length",
    chords: "chords",
    needs: "what it takes",
    steady: "pulse",
    level: "level",
    track: "track",
  },
});

/** What a stretch of the song asks of a layer; "either" is free. */
export const WANTS = ["on", "off", "either"] as const;

/**
 * What one use of a section asks of a layer. Ticks are counted from the start of the use, all its rounds together; `to`
 * null is its end. What no stretch covers is off. A use without a row wants what the section's first use wants.
 */
const loopWant = defineTable({
  row: z.object({
    id: idSchema,
    layerId: idSchema,
    useId: idSchema,
    stretches: z.array(z.object({ from: ticks, to: ticks.nullable(), want: z.enum(WANTS) })).max(200),
  }),
  called: "wish for a layer",
  fields: {
    stretches: "wanted",
  },
  tell: { stretches: tellWishes },
  references: {
    layerId: goesWith("loopLayers"),
    useId: goesWith("uses"),
  },
  since: 5,
  compared: {
    stretches: "wanted",
  },
});

const JUDGED = ["right", "early", "late", "wrong", "missed"] as const;

/** What became of a press that was due, or that came unasked. */
const pressJudgement = z.object({
  judged: z.enum(JUDGED),
  /** How far from its time, above 0 late; null for one that was missed or unasked. */
  ms: z.number().min(-100_000).max(100_000).nullable(),
  place: z.enum(PRESS_PLACES),
  sung: z.boolean(),
});

/** One run of a plan on a simulated box: every press that was due, or that came unasked. */
export const runRow = z.object({
  id: idSchema,
  order,
  /** The day, as 2026-11-26. */
  day: z.string().regex(/^\d{4}-\d{2}-\d{2}$/u, { error: "should be a day such as 2026-11-26" }),
  presses: z.array(pressJudgement).max(1000),
});

const loopRun = defineTable({
  row: runRow,
  called: "run on the simulated looper",
  tell: { presses: tellCount },
  fields: { order: "place in the list" },
  since: 5,
});

/** What a band always does: a sound on its track. */
const loopHabit = defineTable({
  row: z.object({
    id: idSchema,
    plays: z.enum(LAYER_SOUNDS),
    track: z
      .int()
      .min(0)
      .max(MOST_BOX_TRACKS - 1),
  }),
  called: "habit with the looper",
  since: 5,
});

export const loopTables = {
  loopBoxes: loopBox,
  loopLayers: loopLayer,
  loopWants: loopWant,
  loopRuns: loopRun,
};
export const loopHabitTables = { loopHabits: loopHabit };

export type LoopBox = RowOf<typeof loopBox>;
export type LoopLayerRow = RowOf<typeof loopLayer>;
export type LoopWant = RowOf<typeof loopWant>;
export type LoopRun = RowOf<typeof loopRun>;
export type LoopHabit = RowOf<typeof loopHabit>;
