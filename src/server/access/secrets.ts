import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from "node:crypto";
import { promisify } from "node:util";

const scryptAsync = promisify<string, string, number, Buffer>(scrypt);

/** Signs that are told apart when read out or seen from afar: no 0 O, 1 I L, 2 Z, 5 S, 8 B, U V. */
const CODE_SIGNS = "ACDEFGHJKMNPQRTWXY34679";
export const CODE_LENGTH = 6;

/** A code to join with: six signs of 23, one of 148 million. @example makeCode() // => "K7FQ4M" */
export const makeCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_SIGNS[randomInt(CODE_SIGNS.length)]).join("");

/** A code as it may be typed: small letters, blanks and dashes between. @example readCode("k7f-q4m") // => "K7FQ4M" */
export const readCode = (typed: string): string => typed.toUpperCase().replaceAll(/[\s-]/gu, "");

export const makeToken = (): string => randomBytes(24).toString("base64url");

export const hashOfToken = (token: string): string => createHash("sha256").update(token).digest("hex");

/** Compares without telling by its time how much was right. */
export const isSame = (one: string, other: string): boolean =>
  timingSafeEqual(createHash("sha256").update(one).digest(), createHash("sha256").update(other).digest());

export const makeSalt = (): string => randomBytes(16).toString("base64url");

/** A passphrase as it is kept. */
export const hashOfPassphrase = async (passphrase: string, salt: string): Promise<string> =>
  (await scryptAsync(passphrase.normalize("NFKC"), salt, 32)).toString("base64url");
