import { z } from "zod";
import { defineTable, goesWith, idSchema, letsGo, type RowOf } from "../../../document";
import { optionalId, text, ticks } from "./row-fields";
import { tellPlace } from "./telling";

/** How a cue is given. */
export const CUE_SIGNS = ["spoken", "hand sign", "nod", "click", "none"] as const;

/** A cue of one's own: what to do or know at a place of the song. */
const cue = defineTable({
  row: z.object({
    id: idSchema,
    /** Whom it is for; null is everybody. */
    playerId: optionalId,
    /** Who gives it; null where nobody does. */
    giverId: optionalId,
    useId: idSchema,
    /** Ticks from the start of the use, all its rounds together. */
    tick: ticks,
    /** The word it falls on, the first time it is sung there; the ticks stand for it where it is not. */
    wordId: optionalId,
    text: text(200).min(1),
    sign: z.enum(CUE_SIGNS),
    /** Whether it marks a place where something went wrong. */
    danger: z.boolean(),
  }),
  called: "cue",
  fields: {
    giverId: "who gives it",
    tick: "place",
    wordId: "word",
    sign: "way it is given",
    danger: "marks a danger spot",
  },
  named: ["text"],
  tell: { tick: tellPlace },
  references: {
    playerId: goesWith("players"),
    giverId: letsGo("players"),
    useId: goesWith("uses"),
    wordId: letsGo("words"),
  },
  since: 7,
  compared: {
    tick: "place",
    sign: "way it is given",
    danger: "danger spot",
    playerId: "whom it is for",
    giverId: "who gives it",
  },
});

export const cueTables = { cues: cue };

export type CueRow = RowOf<typeof cue>;
