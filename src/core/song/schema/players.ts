import { z } from "zod";
import { defineTable, idSchema, type RowOf } from "../../../document";
import { LEVELS } from "../../fretboard";
import { ACCIDENTALS } from "../../pitch";
import { INSTRUMENTS, LINE_READS, LONGEST_PLAYER_NAME, READS, SHEET_VIEWS, WRITINGS } from "./reads";
import { ROLES } from "./roles";
import { capoSchema, optionalId, order, range, text } from "./row-fields";
import { tellLight, tellRange, tellTuning } from "./telling";

/** How a player reads and plays before anything is said of it. */
export const PLAIN_HAND = Object.freeze({
  reads: null,
  writing: "letters" as const,
  accidentals: "key" as const,
  lines: "tab" as const,
  sheet: "both" as const,
  leftHanded: false,
  thumb: false,
  scaleMm: null,
  loops: false,
});
const {
  loops: _loops,
  accidentals: _accidentals,
  lines: _lines,
  sheet: _sheet,
  ...HAND_IN_FORM_3
} = PLAIN_HAND;

const playerRow = z.object({
  id: idSchema,
  bandPlayerId: optionalId,
  order,
  name: text(LONGEST_PLAYER_NAME).min(1),
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
  /** Whether black keys are read as the key has them, or always as sharps or flats. */
  accidentals: z.enum(ACCIDENTALS),
  lines: z.enum(LINE_READS),
  /** What they are given of a part with chords and a line; they may change it on their own screen. */
  sheet: z.enum(SHEET_VIEWS),
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

/** What people call the fields of a player. */
const PLAYER_WORDS = {
  order: "place in the list",
  level: "hand",
  reads: "names",
  writing: "spelling",
  accidentals: "sharps and flats",
  leftHanded: "left-handed",
  scaleMm: "scale length in mm",
  loops: "has a looper",
  thumb: "thumb frets bass notes",
  range: "range of the voice",
};
const PLAYER_TELLS = { tuning: tellTuning, range: tellRange };
const ADDED_TO_PLAYERS = {
  3: HAND_IN_FORM_3,
  4: { loops: false },
  9: { accidentals: "key" as const, lines: "tab" as const },
  14: { sheet: "both" as const },
};

const player = defineTable({
  row: playerRow,
  called: "player",
  fields: PLAYER_WORDS,
  tell: { ...PLAYER_TELLS, light: tellLight },
  named: ["name"],
  added: ADDED_TO_PLAYERS,
  compared: {
    capo: "capo",
    tuning: "tuning",
    level: "hand",
    light: "light",
    role: "role",
    range: "range",
    reads: "names",
    writing: "spelling",
    accidentals: "sharps and flats",
    lines: "lines",
    sheet: "sheet",
    leftHanded: "left-handed",
    thumb: "thumb",
    scaleMm: "scale length",
    loops: "loops",
  },
});

/** A player of the band: what goes along into every version. */
const bandPlayer = defineTable({
  row: playerRow.omit({ bandPlayerId: true, light: true, role: true }),
  called: player.called,
  fields: PLAYER_WORDS,
  tell: PLAYER_TELLS,
  named: ["name"],
  added: ADDED_TO_PLAYERS,
});

export const playerTables = { players: player };
export const bandPlayerTables = { players: bandPlayer };

export type Player = RowOf<typeof player>;
export type BandPlayer = RowOf<typeof bandPlayer>;
export type Instrument = (typeof INSTRUMENTS)[number];
