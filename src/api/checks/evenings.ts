import { z } from "zod";

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

/** Ids of versions, with commas between. */
export const versions = z.object({
  versions: z
    .string({ error: `should name from 1 to ${MOST_VERSIONS} versions, with commas between` })
    .transform((text) => text.split(",").filter((id) => id !== ""))
    .refine((ids) => ids.length >= 1 && ids.length <= MOST_VERSIONS, {
      error: `should name from 1 to ${MOST_VERSIONS} versions, with commas between`,
    }),
});
