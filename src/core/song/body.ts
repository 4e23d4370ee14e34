import { z } from "zod";
import { HIGHEST_CAPO, LAST_FRET, LEVELS, NOTE_ARTS, STYLES } from "../fretboard";
import {
  ANCHORS,
  EVEN,
  METER_UNITS,
  MOST_BEATS_IN_A_BAR,
  MOST_BPM,
  MOST_SWING,
  PATTERN_KINDS,
  SUBDIVISIONS,
} from "../rhythm";
import { TECHNIQUE_IDS } from "./technique-ids";

/**
 * The body of each kind of document: flat tables of rows by id. Rows refer to each other by id and
 * stand in lists by `order`, a fractional index, so that one edit touches one field of one row.
 *
 * Text is kept as typed; lengths are bounded so that no single edit can flood the log.
 */
const text = (longest: number) =>
  z
    .string()
    .max(longest, { error: `should have at most ${longest} characters` })
    .refine(isStorable, { error: "holds signs that can't be kept" });

/** Whether a database can keep a text: no control signs but line ends and tabs, no half characters. */
export function isStorable(value: string): boolean {
  return !/[\p{Cc}\p{Cs}]/u.test(value.replaceAll(/[\n\t]/gu, ""));
}
const ticks = z.int().min(0).max(100_000_000);

export const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/u);
const order = z.string().regex(/^[0-9A-Za-z]{1,80}$/u);
const optionalId = idSchema.nullable();

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
export const EXTRA_KINDS = ["comment", "directive", "tab", "grid"] as const;
export const ROLES = ["carry", "support", "line", "bass", "out"] as const;
export const INSTRUMENTS = ["guitar", "bass", "keys", "drums", "voice"] as const;
/** Whether a line is played as written, or one lick is set on the root of each chord. */
export const RIFF_WAYS = ["as written", "follows the chords"] as const;
/** Which names a player reads: of the shapes the hand plays, of what sounds, or as degrees of the key. */
export const READS = ["shapes", "sounding", "degrees"] as const;
/** How letters are written for a player: as they are, with H for B, or as syllables. */
export const WRITINGS = ["letters", "german", "syllables"] as const;

export const keySchema = z
  .string()
  .regex(/^[A-G](#|b)?m?$/u, { error: 'should be a key such as "A" or "F#m"' });
export const symbolSchema = text(40).min(1);
const capoSchema = z
  .int()
  .min(0)
  .max(HIGHEST_CAPO, { error: `should be a fret from 0 to ${HIGHEST_CAPO}` });
const range = z.tuple([z.int().min(0).max(127), z.int().min(0).max(127)]).nullable();

const shiftSchema = z.int().min(-11).max(11, { error: "should be at most 11 semitones up or down" });
const bpm = z
  .number()
  .min(1, { error: "should be at least 1 beat a minute" })
  .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` });
const beatUnit = z.string().regex(/^1\/(1|2|4|8|16|32)\.?$/u);
const meterBeats = z.int().min(1, { error: "should be at least 1" }).max(MOST_BEATS_IN_A_BAR);
const meterUnit = z.union(
  METER_UNITS.map((unit) => z.literal(unit)),
  { error: `should be one of ${METER_UNITS.join(", ")}` },
);

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

const barNumber = z.int().min(0).max(10_000);
const stretch = z.tuple([barNumber, barNumber]);

const cell = z.object({
  id: idSchema,
  useId: idSchema,
  playerId: idSchema,
  light: z.int().min(0).max(4).nullable(),
  role: z.enum(ROLES).nullable(),
  style: z.enum(STYLES).nullable(),
  /** The strings voicings keep to, counted from the player's face; null is all. */
  strings: z.array(z.int().min(0).max(7)).min(1).max(8).nullable(),
  capo: capoSchema.nullable(),
  note: text(400).nullable(),
  technique: z.enum(TECHNIQUE_IDS).nullable(),
  strumId: optionalId,
  riffId: optionalId,
  /** What the sound is called; the Sounds room says what it is. */
  sound: text(80).nullable(),
  /** The bars played, counted from 0 within the section, each stretch up to and without its second number. */
  bars: z.array(stretch).max(32).nullable(),
  /** Roles by phrase, where they differ from the cell's. */
  phrases: z
    .array(z.object({ from: barNumber, to: barNumber, role: z.enum(ROLES) }))
    .max(32)
    .nullable(),
  /** The player this one doubles on purpose. */
  doubles: optionalId,
});

/** A strum or picking pattern; see `readPattern`. */
const strum = z.object({
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
});

/** A line in tab: frets from the capo it was written behind. */
const riff = z.object({
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
});

const riffNote = z.object({
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
});

/** A finding somebody has looked at and lets stand. */
const dismissal = z.object({ id: idSchema, finding: text(200).min(1), reason: text(400) });

/** A fingering chosen by hand. It is kept, marked and not applied once its capo, tuning or symbol no longer fit. */
const choice = z.object({
  id: idSchema,
  playerId: idSchema,
  scope: z.enum(["symbol", "chord", "chord-in-use"]),
  chordId: optionalId,
  useId: optionalId,
  symbol: symbolSchema,
  frets: z.array(z.int().min(0).max(LAST_FRET).nullable()).min(3).max(8),
  fingers: z
    .array(z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal("T")]).nullable())
    .min(3)
    .max(8),
  capo: capoSchema,
  tuning: z.array(text(6)).min(3).max(8),
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

const evening = z.object({ id: idSchema, name: text(120).min(1), place: text(120), note: text(2000) });
const item = z.object({ id: idSchema, order, songId: idSchema, versionId: idSchema, note: text(400) });

/** Row schemas by document kind and table. The first table of each kind has exactly one row. */
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
  },
  song: { song },
  band: { band, players: bandPlayer },
  evening: { evening, items: item },
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
});

/** References that are let go when the row they name is removed; all others take their own row with them. */
export const LET_GO: Readonly<Record<string, readonly string[]>> = Object.freeze({
  chords: ["wordId", "sourceId"],
  extras: ["lineId"],
  cells: ["strumId", "riffId", "doubles"],
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
export type Dismissal = Readonly<z.infer<typeof dismissal>>;
export type Source = Readonly<z.infer<typeof source>>;
export type EveningItem = Readonly<z.infer<typeof item>>;
export type SectionKind = Section["kind"];
export type Role = (typeof ROLES)[number];
export type Instrument = (typeof INSTRUMENTS)[number];
