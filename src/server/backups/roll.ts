import { isDeepStrictEqual } from "node:util";
import { eq } from "drizzle-orm";
import type { Database } from "../db/open-database";
import { documents } from "../db/schema";
import { readRow } from "../documents/row";
import { readContent } from "./backup-file";
import type { Kept } from "./kept";
import { keep } from "./kept-folder";
import { prepareAll } from "./prepare";
import { saveBackup } from "./save-backup";

/** A backup that was kept, and what is to be said of it. */
export type Rolled = { readonly kept: Kept; readonly documents: number; readonly doubts: readonly string[] };

/**
 * Saves everything into the data folder and tries it: what is read again from the disk is played as it would be when it is
 * brought back, and compared with what stands in the database. Documents that could not be brought back are told.
 */
export async function rollBackup(database: Database, now: Date, data?: string): Promise<Rolled> {
  const file = await saveBackup(database, now);
  let documents = 0;
  const doubts: string[] = [];
  const tried = async (read: Uint8Array) => {
    const content = readContent(read);
    if (!content.ok) throw new Error(`The backup can't be read again: ${content.problem.message}`);
    const { rows, leftOut } = prepareAll(content.value.documents);
    documents = rows.length;
    doubts.push(...leftOut.map(({ name, problem }) => `the ${name}: ${problem}`));
    for (const { document } of rows)
      if (!(await standsSo(database, document)))
        doubts.push(`the ${document.kind} ${document.id}: its history does not lead to how it stands`);
  };
  return { kept: await keep(file, now, tried, data), documents, doubts };
}

/** Whether a document stands as a backup says; one that was edited since is not compared. */
async function standsSo(
  database: Database,
  { id, revision, body }: { readonly id: string; readonly revision: number; readonly body: unknown },
): Promise<boolean> {
  const [row] = await database.select().from(documents).where(eq(documents.id, id));
  const now = row && readRow(row);
  return !now?.ok || now.value.revision !== revision || isDeepStrictEqual(now.value.body, body);
}
