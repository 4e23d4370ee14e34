import { z } from "zod";
import { LEVELS } from "../fretboard";
import { cue } from "./cue-rows";
import { evening, eveningItem } from "./evening-rows";
import { loopBox, loopHabit, loopLayer, loopRun, loopWant } from "./loop-rows";
import { cell, choice, dismissal, riff, riffNote, strum } from "./part-rows";
import { ROLES } from "./roles";
import {
  beatUnit,
  bpm,
  capoSchema,
  idSchema,
  keySchema,
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
import { slotPin, slotSave, sound, soundBox, soundMove, soundRun } from "./sound-rows";

export { ROLES, type Role } from "./roles";
export { idSchema, isStorable, keySchema } from "./row-fields";

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
export const SOURCE_KINDS = ["sheet", "file", "ear", "take", "lesson", "other"] as const;
export const EXCEPTION_KINDS = ["line", "ending", "extra", "hold", "push", "stop"] as const;
const EXTRA_KINDS = ["comment", "directive", "tab", "grid"] as const;
export const INSTRUMENTS = ["guitar", "bass", "keys", "drums", "voice"] as const;
/** Which names a player reads: of the shapes the hand plays, of what sounds, or as degrees of the key. */
export const READS = ["shapes", "sounding", "degrees"] as const;
/** How letters are written for a player: as they are, with H for B, or as syllables. */
export const WRITINGS = ["letters", "german", "syllables"] as const;

const version = z.object({
  id: idSchema,
  name: text(80),
  /** The key the chords are written in. */
  writtenKey: keySchema,
  /** The key the version is performed in. */
  key: keySchema,
  keySure: z.boolean(),
  bpm,
  beatUnit,
  meterBeats,
  meterUnit,
  /** The capo the written chords are shapes behind; 0 when they sound as written. */
  writtenCapo: capoSchema,
});

/** Where chords come from. One with a text of its own can be laid against the version in the evidence chart. */
const source = z.object({
  id: idSchema,
  order,
  name: text(120),
  kind: z.enum(SOURCE_KINDS),
  text: text(60_000),
});

const section = z.object({
  id: idSchema,
  originId: optionalId,
  order,
  label: text(80),
  kind: z.enum(SECTION_KINDS),
  pickup: ticks,
  energy: z.int().min(0).max(4).nullable(),
  bass: z.enum(["needed", "free"]).nullable(),
  melodyRange: range,
});

/** A line of a section; with an exception, a line sung there only. */
const line = z.object({
  id: idSchema,
  originId: optionalId,
  sectionId: idSchema,
  exceptionId: optionalId,
  order,
});

const word = z.object({
  id: idSchema,
  originId: optionalId,
  lineId: idSchema,
  order,
  text: text(120).min(1),
});

const chord = z.object({
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
});

const use = z.object({
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
});

/**
 * What is otherwise at one use of a section: a line sung differently, an ending when a named section follows, an
 * extra last line, a hold, a push, a stop. Its own lines, where it has some, name it.
 */
const exception = z.object({
  id: idSchema,
  useId: idSchema,
  order,
  kind: z.enum(EXCEPTION_KINDS),
  /** The one time round it is for, counted from 1; null for every time. */
  round: z.int().min(1).max(32).nullable(),
  /** The line that is replaced ("line"). */
  lineId: optionalId,
  /** The chord it happens at; null is the last chord of a hold or stop, the first of a push. */
  chordId: optionalId,
  /** The section that must follow for the ending to be played; null for any. */
  followedBy: optionalId,
  /** How much an ending replaces, a hold adds, a push comes early, a stop is silent. */
  ticks,
  /** A hold that lasts until somebody gives the sign; its ticks are what is expected. */
  cued: z.boolean(),
});

/** What a sheet says beside words and chords: comments, tab, unknown directives; it stands before a line or last in a section. */
const extra = z.object({
  id: idSchema,
  order,
  sectionId: optionalId,
  lineId: optionalId,
  kind: z.enum(EXTRA_KINDS),
  text: text(8000),
});

const player = z.object({
  id: idSchema,
  bandPlayerId: optionalId,
  order,
  name: text(60).min(1),
  instrument: z.enum(INSTRUMENTS),
  /** Open strings from the player's face; none for an instrument without. */
  tuning: z.array(z.string().regex(/^[A-G](#|b)?-?\d$/u)).max(8),
  capo: capoSchema,
  level: z.enum(LEVELS),
  sings: z.boolean(),
  /** Whether they have a looper at their feet. */
  loops: z.boolean(),
  /** What a singer can sing, lowest and highest, MIDI. */
  range,
  /** Null reads what the instrument usually does: a guitar its shapes, a bass what sounds. */
  reads: z.enum(READS).nullable(),
  writing: z.enum(WRITINGS),
  leftHanded: z.boolean(),
  /** Whether the thumb may play the string nearest the face. */
  thumb: z.boolean(),
  /** Scale length; null is the instrument's usual one. */
  scaleMm: z
    .number()
    .min(200, { error: "should be at least 200 mm" })
    .max(1200, { error: "should be at most 1200 mm" })
    .nullable(),
  light: z.int().min(0).max(4),
  role: z.enum(ROLES),
});

const song = z.object({
  id: idSchema,
  title: text(200).min(1),
  by: text(200),
  composer: text(200),
  copyright: text(400),
  tags: z.array(text(40)).max(30),
  /** The day it was last rehearsed, as 2026-11-23. */
  rehearsed: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}$/u, { error: "should be a day such as 2026-11-23" })
    .nullable(),
  /** Put away from the shelf; it can be brought back. */
  archived: z.boolean(),
});

const bandPlayer = player.omit({ bandPlayerId: true, light: true, role: true });
const band = z.object({ id: idSchema, name: text(120).min(1) });

/**
 * The body of each kind of document: flat tables of rows by id. Rows refer to each other by id and
 * stand in lists by `order`, a fractional index, so that one edit touches one field of one row.
 *
 * Text is kept as typed; lengths are bounded so that no single edit can flood the log. The first
 * table of each kind has exactly one row.
 */
export const TABLES = {
  version: {
    version,
    sources: source,
    sections: section,
    lines: line,
    words: word,
    chords: chord,
    uses: use,
    exceptions: exception,
    extras: extra,
    players: player,
    cells: cell,
    choices: choice,
    strums: strum,
    riffs: riff,
    riffNotes: riffNote,
    dismissals: dismissal,
    loopBoxes: loopBox,
    loopLayers: loopLayer,
    loopWants: loopWant,
    loopRuns: loopRun,
    sounds: sound,
    soundMoves: soundMove,
    soundBoxes: soundBox,
    slotPins: slotPin,
    slotSaves: slotSave,
    soundRuns: soundRun,
    cues: cue,
  },
  song: { song },
  band: { band, players: bandPlayer, loopHabits: loopHabit, soundBoxes: soundBox },
  evening: { evening, items: eveningItem },
} as const;

export type Kind = keyof typeof TABLES;
export const KINDS = Object.keys(TABLES) as Kind[];

/** Which field of a row names a row of another table; the other must exist. */
export const REFERENCES: Readonly<Record<string, Readonly<Record<string, string>>>> = Object.freeze({
  lines: { sectionId: "sections", exceptionId: "exceptions" },
  words: { lineId: "lines" },
  chords: { lineId: "lines", wordId: "words", sourceId: "sources" },
  uses: { sectionId: "sections" },
  exceptions: { useId: "uses", lineId: "lines", chordId: "chords", followedBy: "sections" },
  extras: { sectionId: "sections", lineId: "lines" },
  cells: { useId: "uses", playerId: "players", strumId: "strums", riffId: "riffs", doubles: "players" },
  riffNotes: { riffId: "riffs" },
  choices: { playerId: "players", chordId: "chords", useId: "uses" },
  loopBoxes: { playerId: "players" },
  loopLayers: { riffId: "riffs", strumId: "strums", recordWithId: "loopLayers", doublesId: "loopLayers" },
  loopWants: { layerId: "loopLayers", useId: "uses" },
  sounds: { playerId: "players", fromId: "sounds" },
  soundMoves: { playerId: "players", useId: "uses" },
  soundBoxes: { playerId: "players" },
  slotPins: { playerId: "players" },
  slotSaves: { playerId: "players" },
  soundRuns: { playerId: "players" },
  cues: { playerId: "players", giverId: "players", useId: "uses", wordId: "words" },
  items: { beforeId: "items" },
});

/** References that are let go when the row they name is removed; all others take their own row with them. */
export const LET_GO: Readonly<Record<string, readonly string[]>> = Object.freeze({
  chords: ["wordId", "sourceId"],
  extras: ["lineId"],
  cells: ["strumId", "riffId", "doubles"],
  loopBoxes: ["playerId"],
  loopLayers: ["riffId", "strumId", "recordWithId", "doublesId"],
  sounds: ["fromId"],
  cues: ["giverId", "wordId"],
  items: ["beforeId"],
});

type Rows<Schema extends z.ZodType> = Readonly<Record<string, Readonly<z.infer<Schema>>>>;
type BodyOf<K extends Kind> = {
  readonly [T in keyof (typeof TABLES)[K]]: (typeof TABLES)[K][T] extends z.ZodType
    ? Rows<(typeof TABLES)[K][T]>
    : never;
};

export type VersionBody = BodyOf<"version">;
export type SongBody = BodyOf<"song">;
export type BandBody = BodyOf<"band">;
export type EveningBody = BodyOf<"evening">;
export type Body = Readonly<Record<string, Readonly<Record<string, Row>>>>;
export type Row = { readonly id: string; readonly [field: string]: unknown };

export type VersionRow = Readonly<z.infer<typeof version>>;
export type Section = Readonly<z.infer<typeof section>>;
export type Line = Readonly<z.infer<typeof line>>;
export type Word = Readonly<z.infer<typeof word>>;
export type PlacedChord = Readonly<z.infer<typeof chord>>;
export type Use = Readonly<z.infer<typeof use>>;
export type Exception = Readonly<z.infer<typeof exception>>;
export type Extra = Readonly<z.infer<typeof extra>>;
export type ExceptionKind = Exception["kind"];
export type SourceKind = Source["kind"];
export type Player = Readonly<z.infer<typeof player>>;
export type BandPlayer = Readonly<z.infer<typeof bandPlayer>>;
export type Cell = Readonly<z.infer<typeof cell>>;
export type Choice = Readonly<z.infer<typeof choice>>;
export type StrumRow = Readonly<z.infer<typeof strum>>;
export type Riff = Readonly<z.infer<typeof riff>>;
export type RiffNote = Readonly<z.infer<typeof riffNote>>;
export type LoopBox = Readonly<z.infer<typeof loopBox>>;
export type LoopLayerRow = Readonly<z.infer<typeof loopLayer>>;
export type LoopWant = Readonly<z.infer<typeof loopWant>>;
export type LoopRun = Readonly<z.infer<typeof loopRun>>;
export type LoopHabit = Readonly<z.infer<typeof loopHabit>>;
export type Sound = Readonly<z.infer<typeof sound>>;
export type SoundMoves = Readonly<z.infer<typeof soundMove>>;
export type SoundMove = SoundMoves["moves"][number];
export type SoundBox = Readonly<z.infer<typeof soundBox>>;
export type SlotPin = Readonly<z.infer<typeof slotPin>>;
export type Source = Readonly<z.infer<typeof source>>;
export type CueRow = Readonly<z.infer<typeof cue>>;
export type Evening = Readonly<z.infer<typeof evening>>;
export type EveningItem = Readonly<z.infer<typeof eveningItem>>;
export type SectionKind = Section["kind"];
export type Instrument = (typeof INSTRUMENTS)[number];
