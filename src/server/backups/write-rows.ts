import type { Database } from "../db/open-database";
import { documents, edits, stageNotes } from "../db/schema";
import { readRows } from "../documents/row";
import { writeShelf } from "../documents/shelf";
import type { Content } from "./backup-file";
import type { Prepared } from "./prepare";

/** So many rows are written with one statement: PostgreSQL takes 65,535 values in one. */
const AT_ONCE = 500;

/** Writes documents of a backup with their logs, and what the shelf shows of them. */
export async function writeRows(tx: Database, rows: readonly Prepared[]): Promise<void> {
  const now = new Date();
  for (const { document, edits: log } of rows) {
    await tx.insert(documents).values(document);
    for (let from = 0; from < log.length; from += AT_ONCE)
      await tx.insert(edits).values(log.slice(from, from + AT_ONCE));
  }
  await writeShelf(
    tx,
    readRows(rows.map(({ document }) => ({ ...document, createdAt: now, updatedAt: now }))),
  );
}

/** Writes the players' notes at the documents that are there. */
export async function writeNotes(
  tx: Database,
  notes: Content["notes"],
  rows: readonly Prepared[],
): Promise<void> {
  const here = new Set(rows.map(({ document }) => document.id));
  const kept = notes.filter(({ versionId }) => here.has(versionId));
  for (let from = 0; from < kept.length; from += AT_ONCE)
    await tx.insert(stageNotes).values(kept.slice(from, from + AT_ONCE));
}
