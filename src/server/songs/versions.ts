import { and, asc, desc, eq } from "drizzle-orm";
import {
  type Body,
  copyVersion as copyBody,
  type SongBody,
  sayCommand,
  sizeOf,
  type VersionBody,
  versionRow,
} from "@/core/song";
import type { Database } from "../db/open";
import { documents, edits } from "../db/schema";
import { fromRow } from "../documents/row";
import { createDocuments, type Document, findDocument } from "../documents/store";
import { makeId } from "../ids";

/** A version as a list of versions shows it. */
export type ListedVersion = {
  readonly id: string;
  readonly name: string;
  readonly key: string;
  readonly bpm: number;
};

async function versionDocuments(database: Database, songId: string): Promise<Document[]> {
  const rows = await database
    .select()
    .from(documents)
    .where(and(eq(documents.parentId, songId), eq(documents.kind, "version")))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  return rows.map(fromRow);
}

/** The versions of a song, oldest first. */
export async function versionsOf(database: Database, songId: string): Promise<ListedVersion[]> {
  return (await versionDocuments(database, songId)).map(({ id, body }) => {
    const { name, key, bpm } = versionRow(body as VersionBody);
    return { id, name, key, bpm };
  });
}

/** Starts a version from another. @returns its id, or null when there is no such version */
export async function copyVersion(database: Database, fromId: string, name: string): Promise<string | null> {
  const from = await findDocument(database, fromId);
  if (from?.kind !== "version" || from.parentId === null) return null;
  const id = makeId();
  const body = copyBody(from.body as VersionBody, name, makeId) as unknown as Body;
  await createDocuments(database, [{ id, kind: "version", parentId: from.parentId, body }]);
  return id;
}

/** Copies a song with all its versions. */
export async function duplicateSong(
  database: Database,
  songId: string,
): Promise<{ songId: string; versionId: string; title: string } | null> {
  const song = await findDocument(database, songId);
  if (song?.kind !== "song") return null;
  const versions = await versionDocuments(database, songId);
  const row = Object.values((song.body as SongBody).song)[0]!;
  const id = makeId();
  const title = `${row.title.slice(0, 190)} (copy)`;
  const copies = versions.map((version) => {
    const body = version.body as VersionBody;
    return {
      id: makeId(),
      kind: "version" as const,
      parentId: id,
      body: copyBody(body, versionRow(body).name, makeId) as unknown as Body,
    };
  });
  const body = { song: { [id]: { ...row, id, title, archived: false } } };
  await createDocuments(database, [{ id, kind: "song", parentId: null, body }, ...copies]);
  return { songId: id, versionId: copies[0]?.id ?? "", title };
}

/** One step of a document's history, in words. */
export type HistoryStep = {
  readonly revision: number;
  readonly at: string;
  readonly words: string;
  readonly changes: number;
};

const MOST_STEPS = 400;

/** What has happened to a document, newest first; null when there is none. */
export async function historyOf(database: Database, id: string): Promise<HistoryStep[] | null> {
  const document = await findDocument(database, id);
  if (!document) return null;
  const rows = await database
    .select({ revision: edits.revision, command: edits.command, at: edits.at })
    .from(edits)
    .where(eq(edits.documentId, id))
    .orderBy(desc(edits.revision))
    .limit(MOST_STEPS);
  return rows.map(({ revision, command, at }) => ({
    revision,
    at: at.toISOString(),
    words: sayCommand(command, document.body),
    changes: sizeOf(command),
  }));
}
