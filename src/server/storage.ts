import { refuse } from "./http";

/** What is said when nothing can be written: the person's work is still in the window. */
const STORAGE_SENTENCE =
  "could not be written: the disk may be full, or the data folder read-only. What you typed stays on screen and is tried again; make room, or check the folder";

/** What PostgreSQL says of a text it can't keep: a NUL, half a character (Appendix A of its manual, class 22). */
const UNSTORABLE: readonly unknown[] = ["22021", "22P05"];

const codesOf = (error: unknown): unknown[] =>
  error instanceof Error ? [(error as { code?: unknown }).code, ...codesOf(error.cause)] : [];

/**
 * Runs what writes to the database; a failure of the storage becomes an answer of its own (507), told apart from a
 * server that is away. The cause goes to the log.
 */
export async function withStorage(write: () => Promise<Response>): Promise<Response> {
  try {
    return await write();
  } catch (error) {
    if (codesOf(error).some((code) => UNSTORABLE.includes(code)))
      return refuse(400, "body", "holds signs that can't be stored: a NUL, or half a character");
    const cause = error instanceof Error && error.cause instanceof Error ? `: ${error.cause.message}` : "";
    process.stderr.write(
      `Writing failed. ${error instanceof Error ? error.message.slice(0, 300) : error}${cause}\n`,
    );
    return refuse(507, "storage", STORAGE_SENTENCE);
  }
}
