import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import {
  bpm,
  meterBeats,
  meterUnit,
  optionalId,
  order,
  range,
  shiftSchema,
  symbolSchema,
  text,
  ticks,
} from "./row-fields";
import { tellBeats, tellRange, tellShift, tellSymbol } from "./telling";

export const SECTION_KINDS = [
  "intro",
  "verse",
  "pre-chorus",
  "chorus",
  "bridge",
  "instrumental",
  "solo",
  "tag",
  "outro",
  "other",
] as const;
export const EXCEPTION_KINDS = [
  "line",
  "words",
  "chords",
  "chord",
  "ending",
  "extra",
  "hold",
  "push",
  "late",
  "choke",
  "hit",
  "stop",
  "tacet",
] as const;
/** Which times through its section an exception of the section is for, all its uses and their rounds in a row. */
export const EXCEPTION_TIMES = ["every", "first", "later", "last"] as const;
const EXTRA_KINDS = ["comment", "directive", "tab", "grid"] as const;

/** A use of a section without any exception of its own. */
export const PLAIN_USE = Object.freeze({
  label: null,
  vocals: true,
  shift: 0,
  bpm: null,
  meterBeats: null,
  meterUnit: null,
  energy: null,
  bass: null,
  melodyRange: null,
  octaveDown: false,
});

const {
  energy: _energy,
  bass: _bass,
  melodyRange: _range,
  octaveDown: _octave,
  ...USE_IN_FORM_2
} = PLAIN_USE;

const section = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    order,
    label: text(80),
    kind: z.enum(SECTION_KINDS),
    pickup: ticks,
    energy: z.int().min(0).max(4).nullable(),
    bass: z.enum(["needed", "free"]).nullable(),
    melodyRange: range,
  }),
  called: "section",
  fields: {
    order: "place in the list",
    label: "name",
    melodyRange: "range of the melody",
  },
  named: ["label"],
  quiet: ["originId"],
  tell: { pickup: tellBeats, melodyRange: tellRange },
  compared: {
    label: "name",
    pickup: "pickup",
  },
});

/** A line of a section; with an exception, a line sung there only. */
const line = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    sectionId: idSchema,
    exceptionId: optionalId,
    order,
  }),
  called: "line",
  fields: {
    sectionId: "section",
    order: "place in the list",
  },
  quiet: ["originId"],
  references: {
    sectionId: goesWith("sections"),
    exceptionId: goesWith("exceptions"),
  },
  added: { 2: { exceptionId: null } },
});

const word = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    lineId: idSchema,
    order,
    text: text(120).min(1),
  }),
  called: "word",
  fields: {
    lineId: "line",
    order: "place in the list",
  },
  named: ["text"],
  quiet: ["originId"],
  references: {
    lineId: goesWith("lines"),
  },
});

const chord = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    lineId: idSchema,
    order,
    /** As written; a symbol that cannot be read is kept and marked. */
    symbol: symbolSchema,
    ticks,
    /** The word it stands under, and how many characters into it; null where nothing is sung. */
    wordId: optionalId,
    offset: z.int().min(0).max(400),
    sourceId: optionalId,
    sure: z.boolean(),
    /** Whether its beats were guessed by the program. */
    guessed: z.boolean(),
  }),
  called: "chord",
  fields: {
    lineId: "line",
    order: "place in the list",
    symbol: "name",
    ticks: "beats",
    wordId: "word",
    sourceId: "source",
    sure: "is sure",
    guessed: "beats are guessed",
  },
  named: ["symbol"],
  quiet: ["guessed", "offset", "originId", "sourceId"],
  tell: { ticks: tellBeats, symbol: tellSymbol },
  references: {
    lineId: goesWith("lines"),
    wordId: letsGo("words"),
    sourceId: letsGo("sources"),
  },
});

const use = defineTable({
  row: z.object({
    id: idSchema,
    originId: optionalId,
    sectionId: idSchema,
    order,
    repeat: z.int().min(1).max(32),
    /** Its own name here ("Verse 2"); null takes the section's. */
    label: text(80).nullable(),
    vocals: z.boolean(),
    /** Semitones above the version's key. */
    shift: shiftSchema,
    /** Its own tempo and metre; null takes the version's. */
    bpm: bpm.nullable(),
    meterBeats: meterBeats.nullable(),
    meterUnit: meterUnit.nullable(),
    energy: z.int().min(0).max(4).nullable(),
    bass: z.enum(["needed", "free"]).nullable(),
    /** What is sung here where it differs from the section's; null takes the section's. */
    melodyRange: range,
    /** Whether the melody is sung an octave lower here. */
    octaveDown: z.boolean(),
  }),
  called: "place in the form",
  fields: {
    sectionId: "section",
    order: "place in the list",
    repeat: "times",
    label: "name",
    shift: "key shift",
    energy: "energy",
    melodyRange: "range of the melody",
    octaveDown: "sung an octave lower",
    bpm: "tempo",
    meterBeats: "beats in a bar",
    meterUnit: "beat value",
  },
  named: ["label"],
  quiet: ["originId"],
  tell: { shift: tellShift, melodyRange: tellRange },
  references: {
    sectionId: goesWith("sections"),
  },
  added: { 2: USE_IN_FORM_2, 3: { melodyRange: null, octaveDown: false } },
  compared: {
    repeat: "times",
    vocals: "voice",
    shift: "key shift",
    bpm: "tempo",
    meterBeats: "metre",
    meterUnit: "metre",
    label: "name",
    octaveDown: "sung an octave lower",
  },
});

/**
 * What is otherwise: at one use of a section (`useId`), or whenever the section is played (`sectionId`, `times`). A line
 * sung differently, other words over the same chords, other chords under the same words, an ending when a named section
 * follows, an extra last line, a chord held, early, late, choked, struck and let go, a stop, a silence of the band. Its
 * own lines, where it has some, name it.
 */
const exception = defineTable({
  row: z.object({
    id: idSchema,
    /** The one use it is for; null where it is the section's. */
    useId: optionalId,
    /** The section it is for; null where it is one use's. */
    sectionId: optionalId,
    /** The times it is for, where it is the section's. */
    times: z.enum(EXCEPTION_TIMES),
    order,
    kind: z.enum(EXCEPTION_KINDS),
    /** The one time round of its use it is for, counted from 1; null for every time. */
    round: z.int().min(1).max(32).nullable(),
    /** The line that is replaced ("line"), or has other words or chords ("words", "chords"). */
    lineId: optionalId,
    /** The chord it happens at; null is the first chord of a push, late, choke or hit, the last of a hold or stop. */
    chordId: optionalId,
    /** The section that must follow for the ending to be played; null for any. */
    followedBy: optionalId,
    /**
     * How much an ending replaces, a hold adds, a push comes early or late, a stop is silent; how long a choked chord or
     * a hit rings. 0 takes back what the section says there.
     */
    ticks,
    /** A hold that lasts until somebody gives the sign; its ticks are what is expected. */
    cued: z.boolean(),
    /** The chord that is played instead ("chord"), as written. */
    symbol: symbolSchema.nullable(),
  }),
  called: "exception",
  fields: {
    useId: "place in the form",
    sectionId: "section",
    times: "times it is for",
    order: "place in the list",
    lineId: "line",
    chordId: "chord",
    followedBy: "when it follows",
    ticks: "beats",
    cued: "until the sign",
    symbol: "chord instead",
  },
  tell: { ticks: tellBeats, symbol: tellSymbol },
  references: {
    useId: goesWith("uses"),
    sectionId: goesWith("sections"),
    lineId: goesWith("lines"),
    chordId: goesWith("chords"),
    followedBy: goesWith("sections"),
  },
  since: 2,
  added: { 10: { sectionId: null, times: "every", symbol: null } },
});

/** Where a chord shared with other words stands over these: a line of words of its own, a chord of the section. */
const anchor = defineTable({
  row: z.object({
    id: idSchema,
    lineId: idSchema,
    chordId: idSchema,
    wordId: idSchema,
    offset: z.int().min(0).max(400),
  }),
  called: "place of a chord",
  fields: { lineId: "line", chordId: "chord", wordId: "word" },
  quiet: ["offset"],
  references: {
    lineId: goesWith("lines"),
    chordId: goesWith("chords"),
    wordId: goesWith("words"),
  },
  since: 10,
});

/** What a sheet says beside words and chords: comments, tab, unknown directives; it stands before a line or last in a section. */
const extra = defineTable({
  row: z.object({
    id: idSchema,
    order,
    sectionId: optionalId,
    lineId: optionalId,
    kind: z.enum(EXTRA_KINDS),
    text: text(8000),
  }),
  called: "note of the sheet",
  fields: {
    order: "place in the list",
    sectionId: "section",
    lineId: "line",
  },
  named: ["text"],
  references: {
    sectionId: goesWith("sections"),
    lineId: letsGo("lines"),
  },
  since: 2,
});

/** What the voice sings in a section, where a file told it; see `readMelody`. */
const melody = defineTable({
  row: z.object({ id: idSchema, sectionId: idSchema, notes: text(20_000) }),
  called: "melody",
  tell: { notes: () => "as sung" },
  references: { sectionId: goesWith("sections") },
  since: 8,
});

export const sectionTables = {
  sections: section,
  lines: line,
  words: word,
  chords: chord,
  uses: use,
  exceptions: exception,
  anchors: anchor,
  extras: extra,
  melodies: melody,
};

export type Section = RowOf<typeof section>;
export type SectionKind = Section["kind"];
export type Line = RowOf<typeof line>;
export type Word = RowOf<typeof word>;
export type PlacedChord = RowOf<typeof chord>;
export type Use = RowOf<typeof use>;
export type Exception = RowOf<typeof exception>;
export type ExceptionKind = Exception["kind"];
export type ExceptionTimes = Exception["times"];
export type Anchor = RowOf<typeof anchor>;
export type Extra = RowOf<typeof extra>;
