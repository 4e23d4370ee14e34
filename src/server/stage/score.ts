import { byOrder, type EveningBody, type SongBody, type VersionBody } from "@/core/song";
import { type LiveItem, passagesOf } from "@/core/stage";
import type { Database } from "../db/open";
import { findDocument } from "../documents/store";

/** An evening as its clock runs through it, with the documents it is made of and how far each has been edited; null where there is no such evening. */
export async function liveItems(
  database: Database,
  eveningId: string,
): Promise<{ readonly items: LiveItem[]; readonly documentIds: string[]; readonly songs: string } | null> {
  const found = await findDocument(database, eveningId);
  if (found?.kind !== "evening") return null;
  const { items } = found.body as unknown as EveningBody;
  const documentIds = [eveningId];
  const revisions: string[] = [];
  const live: LiveItem[] = [];
  for (const { id, kind, title, versionId, note, minutes } of Object.values(items).sort(byOrder)) {
    const plain = { id, kind, title, versionId, note, minutes, passages: [] };
    const version = versionId === null ? null : await findDocument(database, versionId);
    if (version?.kind !== "version" || version.parentId === null) {
      live.push(
        kind === "song" ? { ...plain, title: title || "A song that is gone", versionId: null } : plain,
      );
      continue;
    }
    const song = await findDocument(database, version.parentId);
    documentIds.push(version.id);
    revisions.push(`${version.id}:${version.revision}`);
    live.push({
      ...plain,
      title: song ? Object.values((song.body as unknown as SongBody).song)[0]!.title : title,
      passages: passagesOf(version.body as unknown as VersionBody),
    });
  }
  return { items: live, documentIds, songs: revisions.join(" ") };
}
