import { and, arrayOverlaps, eq, ne, sql } from "drizzle-orm";
import type { Beside, SongBeside } from "@/api";
import type { Database } from "../db/open-database";
import { shelf } from "../db/schema";

/** A song is about as fast where its tempo is within this share. */
const AS_FAST = 0.1;
/** Songs are alike that share so much of the chords of both together. */
const ALIKE = 0.5;
const MOST_ALIKE = 5;
/** So many versions are looked at for that: of one song there may be several. */
const LOOKED_AT = 40;

/**
 * How a version stands among the other songs of the shelf: how usual its metre and tempo are, and which songs share its
 * chords as they sound, whatever bass stands under them; null where there is none. Songs that are put away do not count.
 */
export async function besideOnShelf(database: Database, versionId: string): Promise<Beside | null> {
  const [own] = await database.select().from(shelf).where(eq(shelf.versionId, versionId));
  if (!own) return null;
  const { songId, meter, bpm } = own;
  const chords = own.chords.filter((mark) => !mark.includes("/"));
  const others = and(ne(shelf.songId, songId), eq(shelf.archived, false));
  const songsWhere = (holds: ReturnType<typeof sql>) =>
    sql<number>`(count(distinct ${shelf.songId}) filter (where ${holds}))::int`;
  const inMeter = sql`${shelf.meter} = ${meter}`;
  const [counted] = await database
    .select({
      songs: songsWhere(sql`true`),
      inMeter: songsWhere(inMeter),
      asFast: songsWhere(
        sql`${inMeter} and ${shelf.bpm} between ${bpm * (1 - AS_FAST)}::real and ${bpm * (1 + AS_FAST)}::real`,
      ),
    })
    .from(shelf)
    .where(others);
  const alike = chords.length === 0 ? [] : await alikeTo(database, chords, others);
  return { meter, bpm, chords: chords.length, ...counted!, alike };
}

async function alikeTo(
  database: Database,
  chords: string[],
  others: ReturnType<typeof and>,
): Promise<SongBeside[]> {
  const shared = sql<number>`(select count(*)::int from unnest(${shelf.chords}) as one where one in ${chords})`;
  const all = sql<number>`(select count(*)::int from unnest(${shelf.chords}) as one where one not like '%/%')`;
  const nearness = sql<number>`${shared}::real / (${chords.length}::int + ${all} - ${shared})`;
  const found = await database
    .select({
      versionId: shelf.versionId,
      songId: shelf.songId,
      title: shelf.title,
      versionName: shelf.versionName,
      shared,
      chords: all,
      nearness,
    })
    .from(shelf)
    .where(and(others, arrayOverlaps(shelf.chords, chords)))
    .orderBy(sql`${nearness} desc`, shelf.titleKey, shelf.versionId)
    .limit(LOOKED_AT);
  const seen = new Set<string>();
  return found
    .filter((one) => one.nearness >= ALIKE && !seen.has(one.songId) && seen.add(one.songId))
    .slice(0, MOST_ALIKE)
    .map(({ songId: _songId, nearness: _nearness, ...one }) => one);
}
