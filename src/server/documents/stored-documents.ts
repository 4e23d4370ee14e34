import { and, asc, eq, gt, inArray, or, sql } from "drizzle-orm";
import type { Result } from "@/base";
import { type Kind, SCHEMA } from "@/core/song/schema";
import { type ArrivedEdit, type Body, checkBody, type PendingEdit } from "@/document";
import { takeEdit as judgeEdit, replay } from "@/document/log";
import type { Database } from "../db/open-database";
import { documents, edits } from "../db/schema";
import { type Document, type DocumentOf, definitionOf, readRow, readRows, type Unreadable } from "./row";
import { rewriteShelf, writeShelf } from "./shelf";

export type { Document } from "./row";

export type NewDocument = { [K in Kind]: Omit<DocumentOf<K>, "revision"> }[Kind];

/** An edit as it stands in the log and goes out to other windows. */
export type LoggedEdit = ArrivedEdit;

export type SentEdit = PendingEdit;

type Judged = ReturnType<typeof judgeEdit>;

/** What became of a sent edit; "repeated" was written the first time it came. */
export type EditOutcome =
  | {
      readonly status: "done";
      readonly revision: number;
      readonly repeated: boolean;
      readonly edit: LoggedEdit;
    }
  | Exclude<Judged, { readonly status: "done" }>
  | { readonly status: "unknown" }
  | { readonly status: "unreadable"; readonly problem: string };

/** A document as it stands, or what is wrong with it where it can't be read; null where there is none. */
async function findStored(database: Database, id: string): Promise<Result<Document, Unreadable> | null> {
  const [row] = await database.select().from(documents).where(eq(documents.id, id));
  return row ? readRow(row) : null;
}

export async function findDocument(database: Database, id: string): Promise<Document | null> {
  const stored = await findStored(database, id);
  return stored?.ok ? stored.value : null;
}

/** What is wrong with a document that is there and can't be read; null for one that can, or is not there. */
export async function findUnreadable(database: Database, id: string): Promise<Unreadable | null> {
  const stored = await findStored(database, id);
  return stored && !stored.ok ? stored.problem : null;
}

/** The document that keeps another from being opened because it can't be read: itself, or the song of a version. */
export async function unreadableBehind(database: Database, id: string): Promise<Unreadable | null> {
  const stored = await findStored(database, id);
  if (!stored) return null;
  if (!stored.ok) return stored.problem;
  const { parentId } = stored.value;
  return parentId === null ? null : findUnreadable(database, parentId);
}

/** The documents that can't be read: of a newer form, or no tables at all. Others are met where they are opened. */
export async function listUnreadable(database: Database): Promise<Unreadable[]> {
  const rows = await database
    .select()
    .from(documents)
    .where(or(gt(documents.schema, SCHEMA), sql`jsonb_typeof(${documents.body}) <> 'object'`))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  return rows.flatMap((row) => {
    const read = readRow(row);
    return read.ok ? [] : [read.problem];
  });
}

/** Everything that is stored of a document: its row, and its log, oldest first. */
export type StoredWhole = {
  readonly document: typeof documents.$inferSelect;
  readonly edits: readonly (typeof edits.$inferSelect)[];
};

/** Everything that is stored of a document, read or not, to be saved out. */
export const storedWhole = (database: Database, id: string): Promise<StoredWhole | null> =>
  database.transaction(async (tx) => {
    const [document] = await tx.select().from(documents).where(eq(documents.id, id));
    if (!document) return null;
    const log = await tx.select().from(edits).where(eq(edits.documentId, id)).orderBy(asc(edits.revision));
    return { document, edits: log };
  });

/** Whether nothing is kept yet. */
export async function isEmpty(database: Database): Promise<boolean> {
  const [any] = await database.select({ id: documents.id }).from(documents).limit(1);
  return any === undefined;
}

export async function listDocuments<K extends Kind>(database: Database, kind: K): Promise<DocumentOf<K>[]> {
  const rows = await database
    .select()
    .from(documents)
    .where(eq(documents.kind, kind))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  return readRows(rows).filter((document) => isOfKind(document, kind));
}

const isOfKind = <K extends Kind>(document: Document, kind: K): document is Document & DocumentOf<K> =>
  document.kind === kind;

/** Stores new documents together; none on any failure. */
export async function createDocuments(database: Database, fresh: readonly NewDocument[]): Promise<void> {
  for (const { kind, body } of fresh) {
    const checked = checkBody(definitionOf(kind), body);
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
    const read = readRow(row);
    if (!read.ok) return { status: "unreadable", problem: read.problem.problem };
    const document = read.value;
    const since = await tx
      .select({ touches: edits.touches })
      .from(edits)
      .where(and(eq(edits.documentId, documentId), gt(edits.revision, sent.base)));
    const taken = judgeEdit(
      definitionOf(document.kind),
      document,
      sent,
      since.map((edit) => edit.touches),
    );
    if (taken.status !== "done") return taken;
    const { body, edit, inverse, touches } = taken;
    const { revision } = edit;
    await tx.insert(edits).values({ documentId, ...edit, inverse, touches });
    await tx
      .update(documents)
      .set({ body, revision, schema: SCHEMA, updatedAt: new Date() })
      .where(eq(documents.id, documentId));
    await rewriteShelf(tx, { ...document, body, revision } as Document, touches);
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
  const log = await editsSince(database, documentId, 0);
  const played = log.filter(({ revision }) => until === undefined || revision <= until);
  return replay(
    definitionOf(row.kind),
    { schema: row.originSchema, body: row.origin },
    played.map(({ command }) => command),
  );
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
