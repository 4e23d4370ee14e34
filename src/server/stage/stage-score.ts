import type { VersionBody } from "@/core/song/schema";
import { type LiveItem, passagesOf } from "@/core/stage";
import { byOrder } from "@/document";
import type { Database } from "../db/open-database";
import { findDocument } from "../documents/stored-documents";
import { versionWithTitle } from "../songs/song-evenings";

/** An evening as its clock runs through it, with the documents it is made of and how far each has been edited; null where there is no such evening. */
export async function liveItems(
  database: Database,
  eveningId: string,
): Promise<{ readonly items: LiveItem[]; readonly documentIds: string[]; readonly songs: string } | null> {
  const found = await findDocument(database, eveningId);
  if (found?.kind !== "evening") return null;
  const { items } = found.body;
  const documentIds = [eveningId];
  const revisions: string[] = [];
  const live: LiveItem[] = [];
  for (const { id, kind, title, versionId, note, minutes } of Object.values(items).sort(byOrder)) {
    const plain = { id, kind, title, versionId, note, minutes, passages: [] };
    const version = versionId === null ? null : await versionWithTitle(database, versionId);
    if (!version) {
      live.push(
        kind === "song" ? { ...plain, title: title || "A song that is gone", versionId: null } : plain,
      );
      continue;
    }
    documentIds.push(version.versionId);
    revisions.push(`${version.versionId}:${version.revision}`);
    live.push({ ...plain, title: version.title, passages: passagesOf(version.body) });
  }
  return { items: live, documentIds, songs: revisions.join(" ") };
}

/** A song as its own stage runs through it: the one place of a running order. */
export const ownItem = (versionId: string, title: string, body: VersionBody): LiveItem => ({
  id: versionId,
  kind: "song",
  title,
  versionId,
  note: "",
  minutes: 0,
  passages: passagesOf(body),
});
