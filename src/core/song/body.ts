import { z } from "zod";
import { HIGHEST_CAPO, LAST_FRET, LEVELS } from "../fretboard";
import { METER_UNITS, MOST_BEATS_IN_A_BAR, MOST_BPM } from "../rhythm";

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
export const ROLES = ["carry", "support", "line", "bass", "out"] as const;
export const INSTRUMENTS = ["guitar", "bass"] as const;

export const keySchema = z
  .string()
  .regex(/^[A-G](#|b)?m?$/u, { error: 'should be a key such as "A" or "F#m"' });
export const symbolSchema = text(40).min(1);
const capoSchema = z
  .int()
  .min(0)
  .max(HIGHEST_CAPO, { error: `should be a fret from 0 to ${HIGHEST_CAPO}` });
const range = z.tuple([z.int().min(0).max(127), z.int().min(0).max(127)]).nullable();

const version = z.object({
  id: idSchema,
  name: text(80),
  /** The key the chords are written in. */
  writtenKey: keySchema,
  /** The key the version is performed in. */
  key: keySchema,
  keySure: z.boolean(),
  bpm: z
    .number()
    .min(1, { error: "should be at least 1 beat a minute" })
    .max(MOST_BPM, { error: `should be at most ${MOST_BPM} beats a minute` }),
  beatUnit: z.string().regex(/^1\/(1|2|4|8|16|32)\.?$/u),
  meterBeats: z.int().min(1, { error: "should be at least 1" }).max(MOST_BEATS_IN_A_BAR),
  meterUnit: z.union(
    METER_UNITS.map((unit) => z.literal(unit)),
    { error: `should be one of ${METER_UNITS.join(", ")}` },
  ),
});

const source = z.object({ id: idSchema, order, name: text(120) });

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

const line = z.object({ id: idSchema, originId: optionalId, sectionId: idSchema, order });

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
  energy: z.int().min(0).max(4).nullable(),
  bass: z.enum(["needed", "free"]).nullable(),
});

const player = z.object({
  id: idSchema,
  bandPlayerId: optionalId,
  order,
  name: text(60).min(1),
  instrument: z.enum(INSTRUMENTS),
  tuning: z
    .array(z.string().regex(/^[A-G](#|b)?-?\d$/u))
    .min(3)
    .max(8),
  capo: capoSchema,
  level: z.enum(LEVELS),
  sings: z.boolean(),
  range,
  light: z.int().min(0).max(4),
  role: z.enum(ROLES),
});

const cell = z.object({
  id: idSchema,
  useId: idSchema,
  playerId: idSchema,
  light: z.int().min(0).max(4).nullable(),
  role: z.enum(ROLES).nullable(),
  style: z.enum(["full", "bass"]).nullable(),
  capo: capoSchema.nullable(),
  note: text(400).nullable(),
});

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
  tags: z.array(text(40)).max(30),
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
    players: player,
    cells: cell,
    choices: choice,
  },
  song: { song },
  band: { band, players: bandPlayer },
  evening: { evening, items: item },
} as const;

export type Kind = keyof typeof TABLES;
export const KINDS = Object.keys(TABLES) as Kind[];

/** Which field of a row names a row of another table; the other must exist. */
export const REFERENCES: Readonly<Record<string, Readonly<Record<string, string>>>> = Object.freeze({
  lines: { sectionId: "sections" },
  words: { lineId: "lines" },
  chords: { lineId: "lines", wordId: "words", sourceId: "sources" },
  uses: { sectionId: "sections" },
  cells: { useId: "uses", playerId: "players" },
  choices: { playerId: "players", chordId: "chords", useId: "uses" },
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
export type Player = Readonly<z.infer<typeof player>>;
export type BandPlayer = Readonly<z.infer<typeof bandPlayer>>;
export type Cell = Readonly<z.infer<typeof cell>>;
export type Choice = Readonly<z.infer<typeof choice>>;
export type Source = Readonly<z.infer<typeof source>>;
export type EveningItem = Readonly<z.infer<typeof item>>;
export type SectionKind = Section["kind"];
export type Role = (typeof ROLES)[number];
export type Instrument = (typeof INSTRUMENTS)[number];
