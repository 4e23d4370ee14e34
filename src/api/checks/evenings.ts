import { z } from "zod";
import { EVENING_KEPT } from "@/core/song/schema";
import { idSchema } from "@/document";

const MOST_VERSIONS = 60;

export const withVersion = z.object({
  version: z.string({ error: "should name a version of a song" }),
});

export const newEvening = z.object({
  name: z
    .string({ error: "should be a name of at most 120 characters" })
    .trim()
    .min(1, { error: "should be a name of at most 120 characters" })
    .max(120, { error: "should be a name of at most 120 characters" })
    .default("New evening"),
});

export const eveningAct = z.discriminatedUnion("act", [
  z.object({ act: z.literal("add"), versionId: idSchema }),
  z.object({ act: z.literal("keep"), kept: z.enum(EVENING_KEPT) }),
  z.object({ act: z.literal("duplicate") }),
]);

/** Ids of versions, with commas between. */
export const versions = z.object({
  versions: z
    .string({ error: `should name from 1 to ${MOST_VERSIONS} versions, with commas between` })
    .transform((text) => text.split(",").filter((id) => id !== ""))
    .refine((ids) => ids.length >= 1 && ids.length <= MOST_VERSIONS, {
      error: `should name from 1 to ${MOST_VERSIONS} versions, with commas between`,
    }),
});
