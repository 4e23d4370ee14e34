import { z } from "zod";
import { idSchema, optionalId, order, text } from "./row-fields";

/** What stands in a running order: a song, or something else that takes time. */
export const ITEM_KINDS = ["song", "talk", "prayer", "announcement", "pause"] as const;
/** Where an item must stand. */
const ITEM_PLACES = ["opens", "last"] as const;
export const MOST_MINUTES = 24 * 60;

const minutes = z
  .number()
  .min(0, { error: "should be at least 0 minutes" })
  .max(MOST_MINUTES, { error: `should be at most ${MOST_MINUTES} minutes` });

export const evening = z.object({
  id: idSchema,
  name: text(120).min(1),
  place: text(120),
  note: text(2000),
  /** How long it should last; null where nobody has said. */
  targetMinutes: minutes.nullable(),
});

export const eveningItem = z.object({
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
});
