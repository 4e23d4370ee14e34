import { z } from "zod";
import { defineTable, goesWith, idSchema, type RowOf } from "../../../document";
import { barsSaid } from "./bars-said";
import { order } from "./row-fields";
import { tellBarRanges } from "./telling";

/** From a place on a player is in, or out; or plays nowhere else. */
const ENTRANCE_KINDS = ["enters", "leaves", "only"] as const;

/**
 * Where a player comes into the song or leaves it. Without one they are in from the first bar to the last; before a
 * player's first entrance they wait, and places that say "only" are all they play.
 */
const entrance = defineTable({
  row: z.object({
    id: idSchema,
    playerId: idSchema,
    order,
    kind: z.enum(ENTRANCE_KINDS),
    useId: idSchema,
    /** Where in the use; null is all of it, and its beginning for who enters or leaves. */
    bars: barsSaid.min(1).nullable(),
  }),
  called: "entrance",
  fields: {
    playerId: "player",
    order: "place in the list",
    kind: "enters or leaves",
    useId: "place in the form",
  },
  tell: { bars: tellBarRanges },
  references: {
    playerId: goesWith("players"),
    useId: goesWith("uses"),
  },
  since: 10,
});

export const entranceTables = { entrances: entrance };

export type Entrance = RowOf<typeof entrance>;
export type EntranceKind = Entrance["kind"];
