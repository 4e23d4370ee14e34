import { z } from "zod";
import { commandSchema, idSchema, type PendingEdit } from "@/document";
import { namesAsked } from "./names";

const REVISION = { error: "should be a revision, 0 or more" };
const revision = z.string().regex(/^\d{1,9}$/u, REVISION);

export const since = z.object({
  since: z
    .union([revision, z.int(REVISION).min(0, REVISION)], REVISION)
    .default("0")
    .transform(Number),
});

export const edit: z.ZodType<PendingEdit, PendingEdit> = z.object({
  editId: idSchema,
  base: z.int().min(0),
  command: commandSchema,
});

/** A step to be given back, and how names are told in what has happened. */
export const at = z.object({
  ...namesAsked,

  at: z
    .union([revision, z.int(REVISION).min(0, REVISION)], REVISION)
    .transform(Number)
    .optional(),
});

export const exported = z.object({
  losses: z.string().optional(),
  changes: z.string().optional(),
});
