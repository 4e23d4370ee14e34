import { z } from "zod";
import { defineTable, idSchema, letsGo, type RowOf } from "../../../document";
import { optionalId, order, text } from "./row-fields";

/** What stands in a running order: a song, or something else that takes time. */
export const ITEM_KINDS = ["song", "talk", "prayer", "announcement", "pause"] as const;
/** Where an item must stand. */
const ITEM_PLACES = ["opens", "last"] as const;
export const MOST_MINUTES = 24 * 60;

const minutes = z
  .number()
  .min(0, { error: "should be at least 0 minutes" })
  .max(MOST_MINUTES, { error: `should be at most ${MOST_MINUTES} minutes` });

/** Where an evening is found: with those that come, put away, or taken out until that is taken back. */
export const EVENING_KEPT = ["in use", "put away", "removed"] as const;

/** The day and the place on the shelf of an evening of which nobody has said any. */
export const NEW_EVENING = Object.freeze({ day: null, kept: "in use" as const });

const evening = defineTable({
  row: z.object({
    id: idSchema,
    name: text(120).min(1),
    place: text(120),
    note: text(2000),
    /** How long it should last; null where nobody has said. */
    targetMinutes: minutes.nullable(),
    /** The day it is, as 2026-12-24; null where nobody has said. */
    day: z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/u, { error: "should be a day such as 2026-12-24" })
      .nullable(),
    kept: z.enum(EVENING_KEPT),
  }),
  called: "evening",
  fields: {
    targetMinutes: "length it should have",
    day: "day",
    kept: "place on the shelf",
  },
  named: ["name"],
  added: { 7: { targetMinutes: null }, 16: NEW_EVENING },
});

/** A place in a running order of which nothing is said but the song. */
export const PLAIN_ITEM = Object.freeze({
  kind: "song" as const,
  title: "",
  minutes: 0,
  place: null,
  beforeId: null,
});

const eveningItem = defineTable({
  row: z.object({
    id: idSchema,
    order,
    kind: z.enum(ITEM_KINDS),
    /** The song and the version that is played; null for anything else. */
    songId: optionalId,
    versionId: optionalId,
    /** What is said of something that is no song. */
    title: text(200),
    /** How long it takes; a song tells that itself. */
    minutes,
    /** Between this and the next: who speaks, what is carried. */
    note: text(400),
    place: z.enum(ITEM_PLACES).nullable(),
    /** The item this one must come before. */
    beforeId: optionalId,
  }),
  called: "place in the running order",
  fields: {
    order: "place in the list",
    minutes: "minutes",
    place: "place it must have",
    beforeId: "what it must come before",
  },
  named: ["title"],
  tell: { songId: () => "another one", versionId: () => "another one" },
  references: {
    beforeId: letsGo("items"),
  },
  added: { 7: PLAIN_ITEM },
});

export const eveningTables = { evening, items: eveningItem };

export type Evening = RowOf<typeof evening>;
export type EveningItem = RowOf<typeof eveningItem>;
