import { z } from "zod";
import { optionalId } from "./row-fields";

/** What several ways of one line or sound are: as it was recorded, as it is played live, made easy. */
const VARIANTS = ["recorded", "live", "easy"] as const;
export type Variant = (typeof VARIANTS)[number];

/** Where a line, a shape or a sound comes from, and whether it is sure. */
export const sourced = { sourceId: optionalId, sure: z.boolean() };

/** Which way of a thing a row is, and the row it is another way of. */
export const varied = { variant: z.enum(VARIANTS).nullable(), variantOf: optionalId };

/** What a row from before form 10 means: nobody said where it comes from, and nobody doubts it. */
export const UNSOURCED = Object.freeze({ sourceId: null, sure: true });
export const UNVARIED = Object.freeze({ variant: null, variantOf: null });
