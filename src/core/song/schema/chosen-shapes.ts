import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import { LAST_FRET, STYLES } from "../../fretboard";
import { sourced, UNSOURCED } from "./provenance";
import { capoSchema, optionalId, stringSet, symbolSchema, text } from "./row-fields";
import { tellFrets, tellStrings, tellSymbol, tellTuning, tellWords } from "./telling";

/** What is held, and on which open strings. */
const heldShape = {
  frets: z.array(z.int().min(0).max(LAST_FRET).nullable()).min(3).max(8),
  fingers: z
    .array(z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal("T")]).nullable())
    .min(3)
    .max(8),
  tuning: z.array(text(6)).min(3).max(8),
};

/** What both tables say of a shape, in words. */
const TELLS = {
  symbol: tellSymbol,
  frets: tellFrets,
  fingers: tellFrets,
  tuning: tellTuning,
  style: tellWords,
  strings: tellStrings,
};

/**
 * Where a chosen shape holds, the narrowest first: at one chord this time through, at it each time, wherever the chord
 * comes in a section, wherever it is voiced so in the song, everywhere in the song.
 */
export const CHOICE_SCOPES = ["chord-in-use", "chord", "section", "voicing", "symbol"] as const;

/** What a scope of a choice may name since form 12. */
const NAMED_SINCE_FORM_12 = Object.freeze({ sectionId: null, style: null, strings: null });

/** A fingering chosen by hand. It is kept, marked and not applied once its capo, tuning or symbol no longer fit. */
const choice = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    scope: z.enum(CHOICE_SCOPES),
    chordId: optionalId,
    useId: optionalId,
    sectionId: optionalId,
    /** How the chord is voiced there, and on which strings; null where the scope does not ask. */
    style: z.enum(STYLES).nullable(),
    strings: stringSet.nullable(),
    symbol: symbolSchema,
    ...heldShape,
    capo: capoSchema,
    ...sourced,
  }),
  called: "chosen shape",
  fields: {
    chordId: "chord",
    sectionId: "section",
    style: "voicing",
    symbol: "name",
    sourceId: "source",
    sure: "is sure",
  },
  tell: TELLS,
  named: ["symbol"],
  references: {
    playerId: goesWith("players"),
    chordId: goesWith("chords"),
    useId: goesWith("uses"),
    sectionId: goesWith("sections"),
    sourceId: letsGo("sources"),
  },
  added: { 10: UNSOURCED, 12: NAMED_SINCE_FORM_12 },
});

/**
 * A shape of the shape book: what a player prefers to hold for a chord, in every song. It is named as the hand plays it,
 * behind whatever capo, and stands for one way of voicing. The band keeps the book, a version has a copy, as of players.
 */
const bookShape = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    symbol: symbolSchema,
    style: z.enum(STYLES),
    strings: stringSet.nullable(),
    ...heldShape,
  }),
  called: "shape of the book",
  acts: { add: "kept in the shape book", remove: "took out of the shape book" },
  fields: { symbol: "name", style: "voicing" },
  tell: TELLS,
  named: ["symbol"],
  references: { playerId: goesWith("players") },
  since: 12,
});

/** Shapes somebody wants: in a song, and of the band's players in every song. */
export const chosenShapeTables = { choices: choice, bookShapes: bookShape };
export const bandShapeTables = { bookShapes: bookShape };

export type Choice = RowOf<typeof choice>;
export type BookShape = RowOf<typeof bookShape>;
