import { asc, eq, isNull } from "drizzle-orm";
import type { Database } from "../db/open-database";
import { arriving, documents, stageNotes } from "../db/schema";
import { type StoredWhole, storedWhole } from "../documents/stored-documents";
import type { Told } from "../serve";
import { packContent } from "./backup-file";

/**
 * Everything as one file: JSON in a zip. Documents are saved as their beginning and their log, each as it stands when it is
 * come to: the database is free for others between them.
 */
export async function saveBackup(database: Database, now: Date, told: Told = () => {}): Promise<Uint8Array> {
  const ids = await database
    .select({ id: documents.id })
    .from(documents)
    .leftJoin(arriving, eq(arriving.documentId, documents.id))
    // What comes of another backup is not here before its end.
    .where(isNull(arriving.documentId))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  const saved: ReturnType<typeof asSaved>[] = [];
  for (const [at, { id }] of ids.entries()) {
    const whole = await storedWhole(database, id);
    if (whole) saved.push(asSaved(whole));
    told(at + 1, ids.length);
  }
  const notes = await database.select().from(stageNotes);
  return packContent({ savedAt: now.toISOString(), documents: saved, notes });
}

const asSaved = ({ document, edits: log }: StoredWhole) => {
  const { id, kind, parentId, originSchema, origin } = document;
  return {
    id,
    kind,
    parentId,
    originSchema,
    origin,
    edits: log.map(({ editId, command, at }) => ({ editId, command, at: at.toISOString() })),
  };
};
