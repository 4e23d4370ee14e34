import { type ChordSheet, readChordText, type SheetSource, versionOfSheet } from "@/core/formats";
import type { BandBody, Body, SongBody, VersionBody } from "@/core/song";
import type { Database } from "../db/open";
import { createDocuments, listDocuments, type NewDocument } from "../documents/store";
import { makeId } from "../ids";

export type CreatedSong = { readonly songId: string; readonly versionId: string };

/** The two documents of a new song: the song itself and its first version. */
export function songDocuments(
  sheet: ChordSheet,
  settings: { title: string; tags: readonly string[]; source: SheetSource },
  shape: (version: VersionBody) => VersionBody = (version) => version,
): { documents: NewDocument[] } & CreatedSong {
  const songId = makeId();
  const versionId = makeId();
  const song: SongBody = {
    song: {
      [songId]: {
        id: songId,
        title: settings.title,
        by: sheet.by,
        composer: "",
        copyright: "",
        tags: [...settings.tags],
        rehearsed: null,
        archived: false,
      },
    },
  };
  const version = shape(versionOfSheet(sheet, settings.source, makeId));
  return {
    songId,
    versionId,
    documents: [
      { id: songId, kind: "song", parentId: null, body: song as Body },
      { id: versionId, kind: "version", parentId: songId, body: version as unknown as Body },
    ],
  };
}

/** Makes a song of a pasted text. */
export async function createSong(
  database: Database,
  input: { text: string; title: string },
): Promise<CreatedSong> {
  const sheet = readChordText(input.text);
  const title = input.title.trim() || sheet.title || "Untitled song";
  const { documents, songId, versionId } = songDocuments(sheet, {
    title,
    tags: [],
    source: { name: "Pasted text", kind: "sheet", text: input.text },
  });
  await createDocuments(database, documents);
  return { songId, versionId };
}

export async function findBand(
  database: Database,
): Promise<{ id: string; revision: number; body: BandBody } | null> {
  const [band] = await listDocuments(database, "band");
  return band ? { ...band, body: band.body as BandBody } : null;
}
