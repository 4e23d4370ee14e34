import { type Database, forgetDatabase, openDatabase } from "./db/open-database";
import { heldOnHost, host } from "./host";

/** Why the database does not open; null where it does. */
const closed = heldOnHost<string>("database does not open");

export const whyClosed = (): string | null => closed.now;

/** Errors of the system that say the folder can't be used at all: there is nothing to be rescued then. */
const UNUSABLE: readonly unknown[] = ["EACCES", "EPERM", "EROFS", "ENOSPC", "EMFILE", "EDQUOT"];

/** What the embedded database says of any damage. */
const SAYS_NOTHING = /^Aborted|failed to initialize/u;

/** Notes that the database does not open, so that the first page can offer a way out. @returns false where it can't */
export function noteClosed(error: unknown): boolean {
  const { message = String(error), code = null } = error as { message?: string; code?: unknown };
  if (!host().store || UNUSABLE.includes(code)) return false;
  closed.now = SAYS_NOTHING.test(message) ? "PostgreSQL can't start on them" : message;
  return true;
}

/** The database, or null where it does not open and the first page offers a way out. */
export async function openOrNote(): Promise<Database | null> {
  if (whyClosed() !== null) return null;
  try {
    return await openDatabase();
  } catch (error) {
    if (noteClosed(error)) return null;
    throw error;
  }
}

/**
 * Puts the files of a database that does not open aside and makes a new, empty one.
 * @returns the name the files have now in the data folder
 */
export async function openAnew(): Promise<string> {
  const name = await host().store!.putAside();
  forgetDatabase();
  await openDatabase();
  closed.now = null;
  return name;
}
