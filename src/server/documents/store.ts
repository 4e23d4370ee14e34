import { and, asc, eq, gt, inArray } from "drizzle-orm";
import {
  type ArrivedEdit,
  applyEdit,
  type Body,
  checkBody,
  type EditProblem,
  type Kind,
  type LostEdit,
  liftBody,
  overlap,
  type PendingEdit,
  placesOf,
  SCHEMA,
  touches,
} from "@/core/song";
import type { Database } from "../db/open";
import { documents, edits } from "../db/schema";
import { type Document, fromRow } from "./row";
import { rewriteShelf, writeShelf } from "./shelf";

export type { Document } from "./row";

export type NewDocument = Omit<Document, "revision">;

/** An edit as it stands in the log and goes out to other windows. */
export type LoggedEdit = ArrivedEdit;

export type SentEdit = PendingEdit;

export type EditOutcome =
  | {
      readonly status: "done";
      readonly revision: number;
      readonly repeated: boolean;
      readonly edit: LoggedEdit;
    }
  | { readonly status: "conflict"; readonly revision: number; readonly conflicts: LostEdit["at"] }
  | { readonly status: "refused"; readonly revision: number; readonly problem: EditProblem }
  | { readonly status: "ahead"; readonly revision: number }
  | { readonly status: "unknown" };

export async function findDocument(database: Database, id: string): Promise<Document | null> {
  const [row] = await database.select().from(documents).where(eq(documents.id, id));
  return row ? fromRow(row) : null;
}

/** Whether nothing is kept yet. */
export async function isEmpty(database: Database): Promise<boolean> {
  const [any] = await database.select({ id: documents.id }).from(documents).limit(1);
  return any === undefined;
}

export async function listDocuments(database: Database, kind: Kind): Promise<Document[]> {
  const rows = await database
    .select()
    .from(documents)
    .where(eq(documents.kind, kind))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  return rows.map(fromRow);
}

/** Stores new documents together; none on any failure. */
export async function createDocuments(database: Database, fresh: readonly NewDocument[]): Promise<void> {
  for (const { kind, body } of fresh) {
    const checked = checkBody(kind, body);
    if (!checked.ok) throw new Error(`Expected a sound ${kind} to store.`, { cause: checked.problem });
  }
  const rows = fresh.map(({ id, kind, parentId, body }) => {
    const stored = { schema: SCHEMA, body, originSchema: SCHEMA, origin: body };
    return { id, kind, parentId, ...stored };
  });
  if (rows.length === 0) return;
  await database.transaction(async (tx) => {
    await tx.insert(documents).values(rows);
    await writeShelf(
      tx,
      fresh.map((document) => ({ ...document, revision: 0 })),
    );
  });
}

/**
 * Takes an edit: locks the document, drops doubles, carries an edit made on an older revision over what
 * has happened since, or refuses it with both values. Body, log and derived rows change together.
 */
export async function takeEdit(database: Database, documentId: string, sent: SentEdit): Promise<EditOutcome> {
  return database.transaction(async (tx) => {
    const [row] = await tx.select().from(documents).where(eq(documents.id, documentId)).for("update");
    if (!row) return { status: "unknown" };
    const [double] = await tx.select().from(edits).where(eq(edits.editId, sent.editId));
    if (double) {
      const { revision, editId, command } = double;
      return { status: "done", revision, repeated: true, edit: { revision, editId, command } };
    }
    const document = fromRow(row);
    if (sent.base > document.revision) return { status: "ahead", revision: document.revision };
    const since = await tx
      .select({ touches: edits.touches })
      .from(edits)
      .where(and(eq(edits.documentId, documentId), gt(edits.revision, sent.base)));
    const wanted = touches(sent.command);
    const met = overlap(
      wanted,
      since.flatMap((edit) => edit.touches),
    );
    if (met.length > 0) {
      return {
        status: "conflict",
        revision: document.revision,
        conflicts: placesOf(met, sent.command, document.body),
      };
    }
    const applied = applyEdit(document.kind, document.body, sent.command);
    if (!applied.ok) return { status: "refused", revision: document.revision, problem: applied.problem };
    const revision = document.revision + 1;
    const { body, inverse } = applied.value;
    const edit = { revision, editId: sent.editId, command: sent.command };
    await tx.insert(edits).values({ documentId, ...edit, inverse, touches: wanted });
    await tx
      .update(documents)
      .set({ body, revision, schema: SCHEMA, updatedAt: new Date() })
      .where(eq(documents.id, documentId));
    await rewriteShelf(tx, { ...document, body, revision });
    return { status: "done", revision, repeated: false, edit };
  });
}

/** The log after a revision, oldest first. */
export async function editsSince(
  database: Database,
  documentId: string,
  revision: number,
): Promise<LoggedEdit[]> {
  return database
    .select({ revision: edits.revision, editId: edits.editId, command: edits.command })
    .from(edits)
    .where(and(eq(edits.documentId, documentId), gt(edits.revision, revision)))
    .orderBy(asc(edits.revision));
}

/**
 * Plays the log again from the document's beginning.
 * @param until the last revision that is played (0 is how it began); without it the whole log
 * @returns the document as it stood then, or null when there is none, or no such revision
 */
export async function replayLog(
  database: Database,
  documentId: string,
  until?: number,
): Promise<Body | null> {
  const [row] = await database.select().from(documents).where(eq(documents.id, documentId));
  if (!row || (until ?? 0) > row.revision) return null;
  const origin = liftBody(row.kind, { schema: row.originSchema, body: row.origin });
  if (!origin.ok) throw new Error(`Expected a sound beginning of ${documentId}.`, { cause: origin.problem });
  let body = origin.value;
  for (const { command, revision } of await editsSince(database, documentId, 0)) {
    if (until !== undefined && revision > until) break;
    const applied = applyEdit(row.kind, body, command);
    if (!applied.ok)
      throw new Error(`Expected edit ${revision} of ${documentId} to apply again.`, {
        cause: applied.problem,
      });
    body = applied.value.body;
  }
  return body;
}

/** Which of these ids are taken. */
export async function takenIds(database: Database, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const rows = await database
    .select({ id: documents.id })
    .from(documents)
    .where(inArray(documents.id, [...ids]));
  return rows.map((row) => row.id);
}
