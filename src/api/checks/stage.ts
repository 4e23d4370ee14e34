import { z } from "zod";
import { practisedSchema } from "@/core/song/schema";
import { LONGEST_NOTE, liveActSchema } from "@/core/stage";
import { idSchema, isStorable } from "@/document";
import { namesAsked } from "./names";

const EVENT = { error: "should be the id of an event, 0 or more" };
const PERSON = { error: "should be someone who plays in this evening" };
const person = z.string(PERSON).min(1, PERSON).max(130, PERSON);

export const since = z.object({
  since: z
    .union([z.string().regex(/^\d{1,9}$/u, EVENT), z.int(EVENT).min(0, EVENT)], EVENT)
    .default("0")
    .transform(Number),
});

/** Whose part, and how names are told in it: as they read where nothing is said. */
export const packOf = z.object({ person, ...namesAsked });
/** Which of the evening's songs. */
export const heardOf = z.object({ versionId: idSchema });
export const notesOf = z.object({ person: z.string().max(130).optional() });
export const me = z.object({ person: z.string().min(1).max(130) });

export const note = z.object({
  person: z.string().min(1).max(130),
  versionId: idSchema,
  useId: idSchema,
  text: z
    .string()
    .trim()
    .max(LONGEST_NOTE, { error: `should have at most ${LONGEST_NOTE} signs` })
    .refine(isStorable, { error: "holds signs that can't be stored" }),
});

/** What was practised: whose part of which song, on which day of theirs, how long, how fast, how often. */
export const practised = z.object({
  person,
  versionId: idSchema,
  ...practisedSchema.shape,
});

export const press = z.object({
  act: liveActSchema,
  /** Made by the leader's screen: the same press sent again stands once. */
  pressId: idSchema,
  /** When it was pressed by the server's clock, as far as the screen knows it, ms. */
  pressedAt: z.number().nullable().default(null),
});
