import { z } from "zod";
import { adjustmentsSchema } from "@/core/formats";
import { idSchema, isStorable } from "@/document";

const STORABLE = { error: "holds signs that can't be kept" };

export const newSong = z
  .object({
    text: z.string().optional(),
    /** A file: its name and its bytes in base 64. */
    name: z.string().max(400).optional(),
    base64: z.base64().optional(),
    title: z.string().max(200).refine(isStorable, STORABLE).default(""),
    adjustments: adjustmentsSchema.default({}),
    /** Make it though a song of that title is there. */
    double: z.boolean().default(true),
  })
  .refine((input) => (input.text === undefined) !== (input.base64 === undefined), {
    error: "should hold a text, or a file as base64",
  });

export const songAct = z.discriminatedUnion("act", [
  z.object({ act: z.literal("duplicate") }),
  z.object({ act: z.literal("archive") }),
  z.object({ act: z.literal("restore") }),
  z.object({ act: z.literal("rehearsed"), day: z.iso.date().nullable() }),
]);

const kept = z.string().regex(/^[\w-]{1,40}\.zip$/u, { error: "should name a kept backup" });
export const keptName = z.object({ name: kept });
export const keptOrNothing = z.object({ name: kept.nullable() });

export const newVersion = z.object({
  from: idSchema,
  name: z.string().trim().min(1, { error: "should not be empty" }).max(80).refine(isStorable, STORABLE),
});
