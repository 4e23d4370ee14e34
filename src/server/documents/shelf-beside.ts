import { and, arrayOverlaps, desc, eq, isNotNull, ne, sql } from "drizzle-orm";
import type { Beside, SongBeside } from "@/api";
import { type Proved, provedBy } from "@/core/practice";
import type { Database } from "../db/open-database";
import { documents, shelf } from "../db/schema";
import { readRows } from "./row";

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
  const proved = await provedOnShelf(database, songId);
  return { meter, bpm, chords: chords.length, ...counted!, alike, proved };
}

/** So many other songs are looked at for what they took, those that were rehearsed last. */
const MOST_PROVED = 40;

/** What other songs were said to take each player, and what they took by their logs. */
async function provedOnShelf(
  database: Database,
  songId: string,
): Promise<Readonly<Record<string, readonly Proved[]>>> {
  const rehearsed = await database
    .select({ weighed: shelf.weighed, song: documents })
    .from(shelf)
    .innerJoin(documents, eq(documents.id, shelf.songId))
    .where(and(ne(shelf.songId, songId), isNotNull(shelf.rehearsed), isNotNull(shelf.weighed)))
    .orderBy(desc(shelf.rehearsed), shelf.versionId)
    .limit(MOST_PROVED);
  const proved = new Map<string, Proved[]>();
  const seen = new Set<string>();
  for (const { weighed, song } of rehearsed) {
    const [read] = readRows([song]);
    // Of one song there may be several versions: one log proves it once.
    if (!weighed || read?.kind !== "song" || seen.has(read.id)) continue;
    seen.add(read.id);
    for (const { name } of weighed.players) {
      const one = provedBy(weighed, Object.values(read.body.practices), name);
      if (one) proved.set(name, [...(proved.get(name) ?? []), one]);
    }
  }
  return Object.fromEntries(proved);
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
