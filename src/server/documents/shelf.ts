import { asc, eq } from "drizzle-orm";
import { formatMeter } from "@/core/rhythm";
import { byOrder, meterOf, type SongBody, timelineOf, type VersionBody, versionRow } from "@/core/song";
import type { Database } from "../db/open";
import { documents, shelf } from "../db/schema";
import type { Document } from "./store";

export type ShelfRow = typeof shelf.$inferSelect;

type Writer = Pick<Database, "select" | "insert" | "update">;

/** Writes what the shelf shows of a version, or of every version of a song. */
export async function rewriteShelf(writer: Writer, document: Document): Promise<void> {
  if (document.kind === "song") {
    const { title, by } = Object.values((document.body as SongBody).song)[0]!;
    await writer.update(shelf).set({ title, by }).where(eq(shelf.songId, document.id));
  }
  if (document.kind !== "version" || document.parentId === null) return;
  const [song] = await writer.select().from(documents).where(eq(documents.id, document.parentId));
  if (!song) throw new Error(`Expected the song ${document.parentId} of version ${document.id}.`);
  const row = { ...versionFacts(document.body as VersionBody), ...titleOf(song.body as SongBody) };
  await writer
    .insert(shelf)
    .values({ versionId: document.id, songId: song.id, ...row })
    .onConflictDoUpdate({ target: shelf.versionId, set: row });
}

const titleOf = (body: SongBody) => {
  const { title, by } = Object.values(body.song)[0]!;
  return { title, by };
};

function versionFacts(body: VersionBody) {
  const { name, key, bpm } = versionRow(body);
  const timeline = timelineOf(body);
  return {
    versionName: name,
    key,
    bpm,
    meter: formatMeter(meterOf(body)),
    bars: timeline.bars,
    seconds: timeline.seconds,
    players: Object.values(body.players)
      .sort(byOrder)
      .map((player) => player.name),
  };
}

export const listShelf = (database: Database): Promise<ShelfRow[]> =>
  database.select().from(shelf).orderBy(asc(shelf.title), asc(shelf.versionId));
