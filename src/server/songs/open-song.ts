import { cache } from "react";
import { openDatabase } from "../db/open-database";
import type { DocumentOf } from "../documents/row";
import { findDocument } from "../documents/stored-documents";

export type OpenedSong = { readonly version: DocumentOf<"version">; readonly song: DocumentOf<"song"> };

/** A version with its song, once a request, or null when no version has this id. */
export const openSong = cache(async (versionId: string): Promise<OpenedSong | null> => {
  const database = await openDatabase();
  const version = await findDocument(database, versionId);
  if (version?.kind !== "version" || version.parentId === null) return null;
  const song = await findDocument(database, version.parentId);
  return song?.kind === "song" ? { version, song } : null;
});
