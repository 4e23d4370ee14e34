import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import { LAST_FRET, NOTE_ARTS, NOTE_STROKES, NOTE_TIMES, STYLES } from "../../fretboard";
import { ANCHORS, EVEN, MOST_SWING, PATTERN_KINDS, SUBDIVISIONS } from "../../rhythm";
import { barsSaid } from "./bars-said";
import { sourced, UNSOURCED, UNVARIED, varied } from "./provenance";
import { ROLES } from "./roles";
import {
  capoSchema,
  keySchema,
  meterBeats,
  meterUnit,
  optionalId,
  order,
  stringSet,
  symbolSchema,
  text,
  ticks,
} from "./row-fields";
import { TECHNIQUE_IDS } from "./technique-ids";
import {
  tellBarRanges,
  tellBeats,
  tellLight,
  tellPhrases,
  tellPlace,
  tellStrings,
  tellSymbol,
  tellTuning,
  tellWords,
} from "./telling";

/**
 * Whether a line is played as written; was written out from a lick set on each chord; or is a lick that is set on the root of
 * each chord wherever it is played.
 */
const RIFF_WAYS = ["as written", "follows the chords", "on each root"] as const;

/** How a line fills bars it does not come out even in: again and cut, once, or so that it ends with them. */
export const LINE_FILLS = ["again", "once", "to the end"] as const;
export type LineFill = (typeof LINE_FILLS)[number];

const barNumber = z.int().min(0).max(10_000);

/** What cells of the sheet may say since form 4; nothing of it at first. */
const SAID_SINCE_FORM_4 = Object.freeze({
  technique: null,
  strumId: null,
  riffId: null,
  sound: null,
  bars: null,
  phrases: null,
  doubles: null,
});

const SAID_SINCE_FORM_10 = Object.freeze({ optional: null });
const SAID_SINCE_FORM_11 = Object.freeze({ fret: null, moved: null });
const SAID_SINCE_FORM_12 = Object.freeze({ approach: null, shortStrumId: null });
const SAID_SINCE_FORM_13 = Object.freeze({ fillStrumId: null, lineWay: null, lineFill: null });

/** A cell that says nothing of its own. */
export const EMPTY_CELL = Object.freeze({
  light: null,
  role: null,
  style: null,
  strings: null,
  capo: null,
  note: null,
  ...SAID_SINCE_FORM_4,
  ...SAID_SINCE_FORM_10,
  ...SAID_SINCE_FORM_11,
  ...SAID_SINCE_FORM_12,
  ...SAID_SINCE_FORM_13,
});

const cell = defineTable({
  row: z.object({
    id: idSchema,
    useId: idSchema,
    playerId: idSchema,
    light: z.int().min(0).max(4).nullable(),
    role: z.enum(ROLES).nullable(),
    style: z.enum(STYLES).nullable(),
    /** The strings voicings keep to, counted from the player's face; null is all. */
    strings: stringSet.nullable(),
    capo: capoSchema.nullable(),
    note: text(400).nullable(),
    technique: z.enum(TECHNIQUE_IDS).nullable(),
    strumId: optionalId,
    riffId: optionalId,
    /** What the sound is called; the Sounds room says what it is. */
    sound: text(80).nullable(),
    /** The bars played, each time through the section. */
    bars: barsSaid.nullable(),
    /** Roles by phrase, where they differ from the cell's. */
    phrases: z
      .array(z.object({ from: barNumber, to: barNumber, role: z.enum(ROLES) }))
      .max(32)
      .nullable(),
    /** The player this one doubles on purpose. */
    doubles: optionalId,
    /** Whether it may be played or not. */
    optional: z.boolean().nullable(),
    /** The fret shapes lie about, counted from the capo; null is wherever they are usual. */
    fret: z.int().min(1).max(LAST_FRET).nullable(),
    /** Whether one small shape is moved along the neck as it is. */
    moved: z.boolean().nullable(),
    /** The pattern for chords of half a bar or less, where those have their own. */
    shortStrumId: optionalId,
    /** The pattern of the last beats before a chord changes. */
    fillStrumId: optionalId,
    /** How a line that can't stay on its strings here is played; null is not chosen yet. */
    lineWay: z.enum(["re-fingered"]).nullable(),
    /** How a line fills the bars it is played in; null is again until they end. */
    lineFill: z.enum(LINE_FILLS).nullable(),
    /** Whether a shape that is moved comes to each chord from one fret below. */
    approach: z.boolean().nullable(),
  }),
  called: "part",
  fields: {
    light: "light",
    strumId: "pattern",
    riffId: "line",
    doubles: "player doubled",
    optional: "may be left out",
    fret: "place on the neck",
    moved: "one shape, moved",
    approach: "from one fret below",
    shortStrumId: "pattern for short chords",
    fillStrumId: "fill before a change",
    lineWay: "way of the line",
    lineFill: "how the line fills its bars",
  },
  references: {
    useId: goesWith("uses"),
    playerId: goesWith("players"),
    strumId: letsGo("strums"),
    shortStrumId: letsGo("strums"),
    fillStrumId: letsGo("strums"),
    riffId: letsGo("riffs"),
    doubles: letsGo("players"),
  },
  tell: {
    light: tellLight,
    style: tellWords,
    strings: tellStrings,
    technique: tellWords,
    bars: tellBarRanges,
    phrases: tellPhrases,
  },
  added: {
    3: { strings: null },
    4: SAID_SINCE_FORM_4,
    10: SAID_SINCE_FORM_10,
    11: SAID_SINCE_FORM_11,
    12: SAID_SINCE_FORM_12,
    13: SAID_SINCE_FORM_13,
  },
  compared: {
    light: "light",
    role: "role",
    style: "style",
    strings: "strings",
    capo: "capo",
    note: "note",
    technique: "technique",
    sound: "sound",
    bars: "bars",
    phrases: "phrases",
    strumId: "pattern",
    riffId: "line",
    optional: "may be left out",
    fret: "place on the neck",
    moved: "one shape, moved",
    approach: "from one fret below",
    shortStrumId: "pattern for short chords",
    fillStrumId: "fill before a change",
    lineWay: "way of the line",
    lineFill: "how the line fills its bars",
  },
});

/** A strum or picking pattern; see `readPattern`. */
const strum = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    order,
    name: text(80).min(1),
    kind: z.enum(PATTERN_KINDS),
    meterBeats,
    meterUnit,
    subdivision: z.union(SUBDIVISIONS.map((parts) => z.literal(parts))),
    swing: z
      .number()
      .min(EVEN, { error: "should be at least 0.5" })
      .max(MOST_SWING, { error: "should be at most 0.75" }),
    pattern: text(20_000),
    /** The on–off row, "" for none. */
    gate: text(20_000),
    anchor: z.enum(ANCHORS),
  }),
  called: "pattern",
  fields: {
    order: "place in the list",
    meterBeats: "beats in a bar",
    meterUnit: "beat value",
  },
  named: ["name"],
  quiet: ["originId"],
  since: 4,
});

/** A line in tab: frets from the capo it was written behind. */
const riff = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    order,
    name: text(80).min(1),
    tuning: z
      .array(z.string().regex(/^[A-G](#|b)?-?\d$/u))
      .min(3)
      .max(8),
    capo: capoSchema,
    ticks: ticks.min(1),
    way: z.enum(RIFF_WAYS),
    /** The sounding chord a lick that follows the chords is written over. */
    home: symbolSchema.nullable(),
    /** Whether a lick that follows the chords is led into from one fret below. */
    approach: z.boolean(),
    /** How its notes are struck; null says nothing of it. */
    strokes: z.enum(NOTE_STROKES).nullable(),
    /** The key the song sounded in when it was written; null is the present one. */
    homeKey: keySchema.nullable(),
    /** How much the section it was written in is raised; null is as the first section that plays it. */
    homeShift: z.int().min(-12).max(12).nullable(),
    ...sourced,
    ...varied,
  }),
  called: "line",
  fields: {
    order: "place in the list",
    ticks: "beats",
    way: "way",
    homeKey: "key it was written in",
    homeShift: "raise it was written in",
    sourceId: "source",
    sure: "is sure",
    variant: "which way it is",
    variantOf: "line it is another way of",
  },
  named: ["name"],
  quiet: ["originId"],
  tell: { ticks: tellBeats, tuning: tellTuning, home: tellSymbol },
  references: { sourceId: letsGo("sources"), variantOf: letsGo("riffs") },
  since: 4,
  added: { 10: { ...UNSOURCED, ...UNVARIED }, 13: { strokes: null, homeKey: null, homeShift: null } },
});

const riffNote = defineTable({
  row: z.object({
    id: idSchema,
    riffId: idSchema,
    tick: ticks,
    ticks: ticks.min(1),
    string: z.int().min(0).max(7),
    fret: z.int().min(0).max(LAST_FRET),
    art: z.enum(NOTE_ARTS),
    /** Quarter tones it is bent up. */
    bend: z.int().min(0).max(8),
    ring: z.boolean(),
    short: z.boolean(),
    optional: z.boolean(),
    /** The one time round it is for, counted from 1; null for every time. */
    round: z.int().min(1).max(32).nullable(),
    /** How that time is meant. */
    times: z.enum(NOTE_TIMES),
    /** How hard it is struck: 1 light, 2 plain, 3 accented. */
    weight: z.union([z.literal(1), z.literal(2), z.literal(3)]),
    /** The way it is struck, where that is not as its line goes. */
    stroke: z.enum(["down", "up"]).nullable(),
    /** The finger it is fretted with, where somebody said so. */
    finger: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]).nullable(),
  }),
  called: "note of a line",
  fields: {
    riffId: "line",
    tick: "place",
    ticks: "beats",
    art: "way of playing",
  },
  tell: { tick: tellPlace, ticks: tellBeats, string: tellStrings },
  references: {
    riffId: goesWith("riffs"),
  },
  since: 4,
  added: { 13: { weight: 2, stroke: null, times: "only", finger: null } },
});

/** A finding somebody has looked at and lets stand. */
const dismissal = defineTable({
  row: z.object({ id: idSchema, finding: text(200).min(1), reason: text(400) }),
  called: "finding let stand",
  acts: { add: "let a finding stand", remove: "raised a finding again" },
  since: 4,
});

/** Tables of the parts of a song. */
export const partTables = {
  cells: cell,
  strums: strum,
  riffs: riff,
  riffNotes: riffNote,
  dismissals: dismissal,
};

export type Cell = RowOf<typeof cell>;
export type StrumRow = RowOf<typeof strum>;
export type Riff = RowOf<typeof riff>;
export type RiffNote = RowOf<typeof riffNote>;
