import { and, asc, desc, eq } from "drizzle-orm";
import type { HistoryStep } from "@/api";
import { copyVersion as copyBody } from "@/core/song/edit";
import { Namer, type NamesChoice, readerBy, tellersBy } from "@/core/song/names";
import { versionRow } from "@/core/song/read";
import { describeCommand, headOf, sizeOf } from "@/document";
import type { Database } from "../db/open-database";
import { documents, edits } from "../db/schema";
import { type DocumentOf, definitionOf, readRows } from "../documents/row";
import { createDocuments, findDocument } from "../documents/stored-documents";
import { makeId } from "../ids";

/** A version as a list of versions shows it. */
export type ListedVersion = {
  readonly id: string;
  readonly name: string;
  readonly key: string;
  readonly bpm: number;
};

async function versionDocuments(database: Database, songId: string): Promise<DocumentOf<"version">[]> {
  const rows = await database
    .select()
    .from(documents)
    .where(and(eq(documents.parentId, songId), eq(documents.kind, "version")))
    .orderBy(asc(documents.createdAt), asc(documents.id));
  return readRows(rows).filter((document) => document.kind === "version");
}

/** The versions of a song, oldest first. */
export async function versionsOf(database: Database, songId: string): Promise<ListedVersion[]> {
  return (await versionDocuments(database, songId)).map(({ id, body }) => {
    const { name, key, bpm } = versionRow(body);
    return { id, name, key, bpm };
  });
}

/** Starts a version from another. @returns its id, or null when there is no such version */
export async function copyVersion(database: Database, fromId: string, name: string): Promise<string | null> {
  const from = await findDocument(database, fromId);
  if (from?.kind !== "version" || from.parentId === null) return null;
  const id = makeId();
  const body = copyBody(from.body, name, makeId);
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
  const row = headOf(song.body, "song");
  const id = makeId();
  const title = `${row.title.slice(0, 190)} (copy)`;
  const copies = versions.map((version) => {
    const body = version.body;
    return {
      id: makeId(),
      kind: "version" as const,
      parentId: id,
      body: copyBody(body, versionRow(body).name, makeId),
    };
  });
  const body = { song: { [id]: { ...row, id, title, archived: false } }, practices: {}, verdicts: {} };
  await createDocuments(database, [{ id, kind: "song", parentId: null, body }, ...copies]);
  return { songId: id, versionId: copies[0]?.id ?? "", title };
}

const MOST_STEPS = 400;

/** What has happened to a document, newest first, told in the names that are asked for; null when there is none. */
export async function historyOf(
  database: Database,
  id: string,
  choice: NamesChoice,
): Promise<HistoryStep[] | null> {
  const document = await findDocument(database, id);
  if (!document) return null;
  const rows = await database
    .select({
      revision: edits.revision,
      command: edits.command,
      inverse: edits.inverse,
      at: edits.at,
    })
    .from(edits)
    .where(eq(edits.documentId, id))
    .orderBy(desc(edits.revision))
    .limit(MOST_STEPS);
  const tellers =
    document.kind === "version"
      ? tellersBy(new Namer(document.body, readerBy(choice, document.body, null)))
      : {};
  return rows.map(({ revision, command, inverse, at }) => ({
    revision,
    at: at.toISOString(),
    words: describeCommand(definitionOf(document.kind), command, document.body, { before: inverse, tellers }),
    changes: sizeOf(command),
  }));
}
