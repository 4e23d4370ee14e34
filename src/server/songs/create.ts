import { sql } from "drizzle-orm";
import { fail, ok, type Result } from "@/base";
import {
  type Adjustments,
  adjustSheet,
  type ChordSheet,
  NOTHING_READ,
  readOptionsOf,
  readSongSource,
  type SheetSource,
  type SongSource,
  titleOfFile,
  versionOfSheet,
} from "@/core/formats";
import { shareLike } from "@/core/song/edit";
import type { BandBody, SongBody, VersionBody } from "@/core/song/schema";
import type { Database } from "../db/open-database";
import { findDoubles } from "../documents/shelf";
import { createDocuments, listDocuments, type NewDocument } from "../documents/stored-documents";
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
        composer: sheet.composer,
        copyright: sheet.copyright,
        tags: [...settings.tags].slice(0, 30),
        rehearsed: null,
        archived: false,
      },
    },
    practices: {},
    verdicts: {},
  };
  const version = shape(versionOfSheet(sheet, settings.source, makeId));
  return {
    songId,
    versionId,
    documents: [
      { id: songId, kind: "song", parentId: null, body: song },
      { id: versionId, kind: "version", parentId: songId, body: version },
    ],
  };
}

/** A song to be made. */
export type SongInput = {
  readonly content: SongSource;
  readonly title: string;
  readonly adjustments: Adjustments;
  /** Whether it is made though a song of that title is there already. */
  readonly double: boolean;
};

export type MadeSong =
  | ({ readonly made: true; readonly sheet: ChordSheet; readonly title: string } & CreatedSong)
  | {
      readonly made: false;
      readonly title: string;
      readonly doubles: Awaited<ReturnType<typeof findDoubles>>;
    };

/** Reads and makes a song; nothing is made of what cannot be read, or of a double that was not asked for. */
export async function createSong(
  database: Database,
  input: SongInput,
): Promise<Result<MadeSong, ChordSheet | string>> {
  const read = readSongSource(input.content, readOptionsOf(input.adjustments));
  if (!read.ok) return read;
  const { text } = read.value;
  const sheet = adjustSheet(read.value.sheet, input.adjustments);
  if (sheet.problems.some((problem) => NOTHING_READ.has(problem.code))) return fail(sheet);
  const fileName = "name" in input.content ? titleOfFile(input.content.name) : "";
  const title = input.title.trim() || sheet.title.trim() || fileName || "Untitled song";
  const source: SheetSource =
    "name" in input.content
      ? { name: input.content.name.replace(/^.*[/\\]/u, "") || "A file", kind: "file", text }
      : { name: "Pasted text", kind: "sheet", text };
  const { documents, songId, versionId } = songDocuments(
    sheet,
    { title, tags: sheet.tags, source },
    (version) => shareLike(version, input.adjustments.apart ?? [], makeId),
  );
  return database.transaction(async (tx) => {
    // Two files of one title may come at once, to two threads.
    await tx.execute(sql`select pg_advisory_xact_lock(${MAKING})`);
    const doubles = input.double ? [] : await findDoubles(tx, title);
    if (doubles.length > 0) return ok({ made: false, title, doubles });
    await createDocuments(tx, documents);
    return ok({ made: true, songId, versionId, sheet, title });
  });
}

/** The number of the lock on making songs, for as long as a transaction. */
const MAKING = 1;

export async function findBand(
  database: Database,
): Promise<{ id: string; revision: number; body: BandBody } | null> {
  const [band] = await listDocuments(database, "band");
  return band ? { ...band, body: band.body } : null;
}
