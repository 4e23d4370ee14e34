import { z } from "zod";
import { defineTable, idSchema, type RowOf } from "../../../document";
import { order, text } from "./row-fields";
import { SECTION_KINDS } from "./sections";

const MOST = 10_000;

/** How often a band took an idea for a kind of section over, and how often it put another in its place. */
const ideaTaste = defineTable({
  row: z.object({
    id: idSchema,
    idea: text(60).min(1),
    kind: z.enum(SECTION_KINDS),
    taken: z.int().min(0).max(MOST),
    left: z.int().min(0).max(MOST),
  }),
  called: "taste for an idea",
  since: 15,
});

/** A leader's own way of splitting: what counts against a proposal, and how much. */
const splitWay = defineTable({
  row: z.object({
    id: idSchema,
    order,
    name: text(60).min(1),
    /** By term; a term that is not there weighs what it usually does. */
    weights: z.record(z.string().max(20), z.number().min(0).max(1000)),
  }),
  called: "way of splitting",
  named: ["name"],
  fields: { order: "place in the list" },
  tell: { weights: (weights) => `${Object.keys(weights as object).length} weights` },
  since: 15,
});

export const splitHabitTables = { ideaTastes: ideaTaste, splitWays: splitWay };
export type IdeaTaste = RowOf<typeof ideaTaste>;
