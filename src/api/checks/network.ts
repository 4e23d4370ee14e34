import { z } from "zod";
import { idSchema } from "@/document";

const LEAST_PASSPHRASE = 8;
const codeRole = z.enum(["player", "viewer"]);

export const networkAct = z.discriminatedUnion("act", [
  z.object({
    act: z.literal("open"),
    eveningId: idSchema,
    passphrase: z
      .string()
      .min(LEAST_PASSPHRASE, {
        error: `should have at least ${LEAST_PASSPHRASE} signs; three words that don’t belong together are hard to guess and easy to type`,
      })
      .max(200),
  }),
  z.object({ act: z.literal("close") }),
  z.object({ act: z.literal("withdraw"), role: codeRole }),
  z.object({ act: z.literal("renew"), role: codeRole }),
  z.object({ act: z.literal("remove"), guestId: idSchema }),
  /** Frees the name a device has taken, for another device. */
  z.object({ act: z.literal("free"), guestId: idSchema }),
]);

/** A code as it was typed, or the leader's passphrase. */
export const secret = z.union([
  z.object({ code: z.string().max(40) }),
  z.object({
    passphrase: z.string().min(1, { error: "should be the passphrase the evening was opened with" }).max(200),
  }),
]);
