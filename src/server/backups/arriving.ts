import { eq, inArray } from "drizzle-orm";
import { type Database, openDatabase } from "../db/open-database";
import { arriving, documents, restores } from "../db/schema";

/**
 * A backup is brought back in small transactions, so that others are not kept waiting by a long one; what has come is
 * remembered until the last is there, and taken back where it does not come to that: stopped, failed, or the program killed.
 */

/** So many documents are taken back at once. */
const AT_ONCE = 20;

/** Begins an arrival; false where another one is not over. */
export const beginArrival = (database: Database, id: string): Promise<boolean> =>
  database.transaction(async (tx) => {
    if ((await tx.select().from(restores)).length > 0) return false;
    await tx.insert(restores).values({ id });
    return true;
  });

/** Writes documents of an arrival; throws when it was taken back meanwhile. */
export const arrive = (
  database: Database,
  id: string,
  write: (tx: Database) => Promise<readonly string[]>,
): Promise<void> =>
  database.transaction(async (tx) => {
    const [open] = await tx.select().from(restores).where(eq(restores.id, id)).for("update");
    if (!open) throw new Error("It was stopped, and what had come was taken back.");
    const ids = await write(tx);
    if (ids.length > 0)
      await tx.insert(arriving).values(ids.map((documentId) => ({ documentId, restoreId: id })));
  });

/** Ends an arrival: what has come stays. */
export const endArrival = (database: Database, id: string): Promise<void> =>
  arrive(database, id, async (tx) => {
    await tx.delete(restores).where(eq(restores.id, id));
    return [];
  });

/** Takes an arrival back that has not ended, or all of them. Nothing happens where there is none. */
export async function takeBack(database: Database, id: string | null = null): Promise<void> {
  const ids = id === null ? (await database.select().from(restores)).map((one) => one.id) : [id];
  if (ids.length === 0) return;
  while (await takeSomeBack(database, ids));
}

/** Takes a few documents back, and with the last of them the arrivals themselves. @returns whether there may be more */
const takeSomeBack = (database: Database, ids: readonly string[]): Promise<boolean> =>
  database.transaction(async (tx) => {
    // Whoever still brings something in waits, and then finds its arrival gone.
    await tx.select().from(restores).where(inArray(restores.id, ids)).for("update");
    const come = await tx
      .select({ documentId: arriving.documentId })
      .from(arriving)
      .where(inArray(arriving.restoreId, ids))
      .limit(AT_ONCE);
    const gone = come.map(({ documentId }) => documentId);
    if (gone.length > 0) await tx.delete(documents).where(inArray(documents.id, gone));
    else await tx.delete(restores).where(inArray(restores.id, ids));
    return gone.length > 0;
  });

/** The same on the program's own database. */
export const takeBackArrival = async (id: string): Promise<void> => takeBack(await openDatabase(), id);
