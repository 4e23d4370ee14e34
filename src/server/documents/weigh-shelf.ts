import { and, eq, isNull, sql } from "drizzle-orm";
import type { WeighedSong } from "@/api";
import type { Weighed } from "@/core/practice";
import type { VersionBody } from "@/core/song/schema";
import type { Database } from "../db/open-database";
import { documents, shelf } from "../db/schema";
import { forgetCounts, shelfRowsOf } from "./shelf";
import { findDocument } from "./stored-documents";

/** Works out what a version asks of its band, off the main thread. */
type Weigh = (body: VersionBody) => Promise<Weighed>;

/** What a version asks of its band, from the shelf or worked out and kept there; null where there is no such version. */
export async function weighedOnShelf(
  database: Database,
  versionId: string,
  weigh: Weigh,
): Promise<WeighedSong | null> {
  const [row] = await database
    .select({ weighed: shelf.weighed })
    .from(shelf)
    .where(eq(shelf.versionId, versionId));
  if (!row) return null;
  const weighed = row.weighed ?? (await weighOne(database, versionId, weigh));
  const [song] = await shelfRowsOf(database, [versionId]);
  return weighed && song ? { song, weighed } : null;
}

/** Weighs a version and keeps it, unless it was changed meanwhile; null where it can't be read. */
async function weighOne(database: Database, versionId: string, weigh: Weigh): Promise<Weighed | null> {
  const version = await findDocument(database, versionId);
  if (version?.kind !== "version") return null;
  const weighed = await weigh(version.body);
  const isAsItWas = sql`exists (select 1 from ${documents} where ${documents.id} = ${versionId} and ${documents.revision} = ${version.revision})`;
  await database
    .update(shelf)
    .set({ weighed, learning: weighed.high })
    .where(and(eq(shelf.versionId, versionId), isAsItWas));
  forgetCounts();
  return weighed;
}

const UNWEIGHED = and(isNull(shelf.weighed), eq(shelf.archived, false));

/**
 * Weighs versions that are not weighed yet, one after the other, until so much time is gone; those that are put away wait.
 * @param until whether there is time for another
 * @returns how many are left
 */
export async function weighSome(database: Database, weigh: Weigh, until: () => boolean): Promise<number> {
  const unreadable = new Set<string>();
  while (until()) {
    const found = await database
      .select({ id: shelf.versionId })
      .from(shelf)
      .where(UNWEIGHED)
      .orderBy(shelf.titleKey, shelf.versionId)
      .limit(unreadable.size + 1);
    const next = found.find(({ id }) => !unreadable.has(id));
    if (!next) break;
    if (!(await weighOne(database, next.id, weigh))) unreadable.add(next.id);
  }
  const [counted] = await database.select({ left: sql<number>`count(*)::int` }).from(shelf).where(UNWEIGHED);
  return Math.max(0, (counted?.left ?? 0) - unreadable.size);
}
