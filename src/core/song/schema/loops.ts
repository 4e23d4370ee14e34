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

/** Where on the neck a layer's small shapes lie. */
export const LOOP_PLACES = ["low", "middle", "high"] as const;
export type LoopPlace = (typeof LOOP_PLACES)[number];

/** Which layer is recorded first. */
export const LOOP_SCHOOLS = ["chords-first", "beat-first"] as const;
/** What sounds just before the song. */
export const LOOP_STARTS = ["silence", "running"] as const;
/** Where a press stands at its boundary: the first one, or one after it that starts or stops. */
export const PRESS_PLACES = ["first", "late-start", "late-stop"] as const;

export const MOST_BOX_TRACKS = 8;
export const MOST_LAYER_BARS = 64;
export const QUIETEST_DBFS = -60;

/**
 * What a pedal does: a track in or out, only in, or only out; everything in, out, or in turns; the last layer undone, one more
 * layer on a track, nothing.
 */
const pedalAct = z
  .string()
  .regex(/^(?:none|start-all|stop-all|toggle-all|undo|(?:track|start|stop|overdub)-[0-7])$/u, {
    error: "should be an act of a pedal",
  });

const pedal = z.object({
  name: text(30).min(1),
  press: pedalAct,
  double: pedalAct,
  hold: pedalAct,
  /** The MIDI control it was taught by, as its kind and channel and number: "176 0 64". */
  control: z.string().max(20).optional(),
});

/** What a press costs more at most. */
export const MOST_MORE = 8;
const more = z
  .int({ error: "should be a whole number" })
  .min(0, { error: "should be at least 0" })
  .max(MOST_MORE, { error: `should be at most ${MOST_MORE}` });

/** What boxes were before form 18: one that starts tracks at their heads, with nothing under one foot and no order of one's own. */
export const PLAIN_BOX = {
  toggleAll: false,
  muted: false,
  neighbours: false,
  doubleMore: 1,
  holdMore: 1,
  finish: true,
  spread: false,
} as const;

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
    /** Whether one pedal takes all out, and lets all in only from silence. */
    toggleAll: z.boolean(),
    /** Whether a track taken out was only muted, and comes in where it would be. */
    muted: z.boolean(),
    /** Whether two pedals beside each other may be pressed at once. */
    neighbours: z.boolean(),
    /** What two quick presses, and a held one, cost more than one press. */
    doubleMore: more,
    holdMore: more,
    /** Whether a track once begun is finished before the next is. */
    finish: z.boolean(),
    /** Whether each pass gets a track of its own while tracks last, rather than as few tracks as may be. */
    spread: z.boolean(),
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
    toggleAll: "has one pedal for all in and all out",
    muted: "only mutes what is taken out",
    neighbours: "takes two pedals at once",
    doubleMore: "cost of two quick presses",
    holdMore: "cost of a held press",
    finish: "finishes a track before the next",
    spread: "gives each pass its own track",
  },
  named: ["name"],
  tell: { pedals: tellPedals },
  references: {
    playerId: letsGo("players"),
  },
  since: 5,
  added: { 18: PLAIN_BOX },
  compared: {
    toggleAll: "has one pedal for all in and all out",
    muted: "only mutes what is taken out",
    neighbours: "takes two pedals at once",
    doubleMore: "cost of two quick presses",
    holdMore: "cost of a held press",
    finish: "finishes a track before the next",
    spread: "gives each pass its own track",
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

/** What layers were before form 18: recorded before the song, in no order of one's own, from nowhere that is known. */
const NEW_LAYER = {
  laterUseId: null,
  laterBar: null,
  buildPlace: null,
  fromSectionId: null,
  fromPlayerId: null,
} as const;

/** What layers were before form 19: they sound what their player holds for the chords anyway. */
const AS_HELD = { voicing: null } as const;

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
    /** Where it is recorded while the song runs: the use, and the bar of it counted from 0; null is before the song. */
    laterUseId: optionalId,
    laterBar: z.int().min(0).max(10_000).nullable(),
    /** The section whose chords it has, and the player whose part of it it is; null where nobody's. It offers to follow them. */
    fromSectionId: optionalId,
    fromPlayerId: optionalId,
    /** Its place in the build, a fractional index, where somebody has said so; those without come after. */
    buildPlace: order.nullable(),
    /** Where its chords are held as small shapes with root and third; null is as its player holds them anyway. */
    voicing: z.enum(LOOP_PLACES).nullable(),
  }),
  called: "layer",
  fields: {
    order: "place in the list",
    riffId: "line",
    strumId: "pattern",
    recordWithId: "recorded with",
    doublesId: "layer doubled",
    level: "level in dBFS",
    laterUseId: "recorded in",
    laterBar: "bar it is recorded at",
    buildPlace: "place in the build",
    voicing: "place of its shapes",
    fromSectionId: "section it follows",
    fromPlayerId: "player whose part it is",
  },
  named: ["name"],
  quiet: ["originId"],
  tell: { chords: tellChords, track: tellFromOne, laterBar: tellFromOne },
  references: {
    riffId: letsGo("riffs"),
    strumId: letsGo("strums"),
    recordWithId: letsGo("loopLayers"),
    doublesId: letsGo("loopLayers"),
    laterUseId: letsGo("uses"),
    fromSectionId: letsGo("sections"),
    fromPlayerId: letsGo("players"),
  },
  since: 5,
  added: { 18: NEW_LAYER, 19: AS_HELD },
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
    voicing: "place of its shapes",
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
  /** Where in the song it was due: the place of the plan it leads into; "end" after the last. Not known before form 18. */
  where: z.string().max(80).optional(),
  /** What was due, as a pedal's act. */
  act: z.string().max(20).optional(),
});

/** What is run through on a simulated box: the song, or the build before it. */
const RUNS_OF = ["song", "build"] as const;

/** What runs were before form 18: only whole ones of the song were kept. */
export const WHOLE_RUN = { whole: true, of: "song" } as const;

/** One run of a plan on a simulated box: every press that was due, or that came unasked. */
export const runRow = z.object({
  id: idSchema,
  order,
  /** The day, as 2026-11-26. */
  day: z.string().regex(/^\d{4}-\d{2}-\d{2}$/u, { error: "should be a day such as 2026-11-26" }),
  presses: z.array(pressJudgement).max(1000),
  /** Whether it went from the beginning to the end; one cut short counts for what was due in it. */
  whole: z.boolean(),
  of: z.enum(RUNS_OF),
});

const loopRun = defineTable({
  row: runRow,
  called: "run on the simulated looper",
  tell: { presses: tellCount },
  fields: { order: "place in the list", whole: "went to the end", of: "what was run" },
  since: 5,
  added: { 18: WHOLE_RUN },
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
