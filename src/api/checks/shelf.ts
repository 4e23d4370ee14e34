import { z } from "zod";

const SORTS = ["title", "key", "tempo", "length", "rehearsed", "changed"] as const;
const flag = z.union([z.boolean(), z.stringbool()]).default(false);

/** What a page of the shelf is asked by, as it comes in an address. */
export const shelfAsked = z.object({
  q: z.string().max(400).default(""),
  sort: z.enum(SORTS).default("title"),
  down: flag,
  tag: z.string().max(40).default(""),
  key: z.string().max(4).default(""),
  meter: z.string().max(6).default(""),
  archived: flag,
  offset: z.coerce.number<string | number>().int().min(0).max(1_000_000).default(0),
  limit: z.coerce.number<string | number>().int().min(1).max(200).default(60),
});
