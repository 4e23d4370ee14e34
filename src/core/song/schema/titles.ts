import { z } from "zod";
import { defineTable, idSchema } from "../../../document";
import { text } from "./row-fields";

/** A song on the shelf: what is the same in all its versions. */
const song = defineTable({
  row: z.object({
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
  }),
  called: "song",
  named: ["title"],
  added: { 2: { composer: "", copyright: "", rehearsed: null, archived: false } },
});

const band = defineTable({
  row: z.object({ id: idSchema, name: text(120).min(1) }),
  called: "band",
  named: ["name"],
});

export const songTables = { song };
export const bandTables = { band };
