import { randomBytes } from "node:crypto";

/** A fresh id: 16 characters that are safe in an address. */
export const makeId = (): string => randomBytes(12).toString("base64url");
