import { z } from "zod";
import { VERDICTS } from "@/core/song/schema";
import { idSchema } from "@/document";

const SORTS = ["title", "key", "tempo", "length", "rehearsed", "learning", "changed"] as const;
const flag = z.union([z.boolean(), z.stringbool()]).default(false);

/** What a page of the shelf is asked by, as it comes in an address. */
export const shelfAsked = z.object({
  q: z.string().max(400).default(""),
  sort: z.enum(SORTS).default("title"),
  down: flag,
  tag: z.string().max(40).default(""),
  key: z.string().max(4).default(""),
  meter: z.string().max(6).default(""),
  verdict: z.enum(["", ...VERDICTS]).default(""),
  archived: flag,
  offset: z.coerce.number<string | number>().int().min(0).max(1_000_000).default(0),
  limit: z.coerce.number<string | number>().int().min(1).max(200).default(60),
});

export const weighedAsked = z.object({ versionId: idSchema });

/** @property seconds to work at it; 0 asks only how many are left */
export const weighAsked = z.object({ seconds: z.number().min(0).max(5) });
