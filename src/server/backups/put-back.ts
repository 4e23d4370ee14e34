import { isNull } from "drizzle-orm";
import { fail, ok, type Result } from "@/base";
import type { Database } from "../db/open-database";
import { documents, openings } from "../db/schema";
import type { Told } from "../serve";
import { type BackupProblem, type LeftOut, readContent } from "./backup-file";
import { prepareAll, tellLeftOut } from "./prepare";
import { rollBackup } from "./roll";
import { writeNotes, writeRows } from "./write-rows";

/**
 * Puts everything back as it stands in a backup: what is there now goes, and is kept as a backup of its own first. All of it
 * or nothing, in one transaction.
 */
export async function putBack(
  database: Database,
  file: Uint8Array,
  { now, told, data }: { readonly now: Date; readonly told: Told; readonly data?: string },
): Promise<Result<{ documents: number; leftOut: readonly LeftOut[] }, BackupProblem>> {
  const read = readContent(file);
  if (!read.ok) return read;
  const { rows, leftOut } = prepareAll(read.value.documents, (done, of) => told(done, 2 * of));
  if (rows.length === 0)
    return fail({
      message: `Nothing of this backup can be brought back. ${tellLeftOut(leftOut)} Nothing was changed.`,
    });
  const [open] = await database.select().from(openings).where(isNull(openings.endedAt));
  if (open)
    return fail({
      message: "An evening is open to the network. End it first, on its Stage page. Nothing was changed.",
    });
  await rollBackup(database, now, data);
  await database.transaction(async (tx) => {
    await tx.delete(documents);
    for (const [at, row] of rows.entries()) {
      await writeRows(tx, [row]);
      told(rows.length + at + 1, 2 * rows.length);
    }
    await writeNotes(tx, read.value.notes, rows);
  });
  return ok({ documents: rows.length, leftOut });
}
