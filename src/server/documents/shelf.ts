import { type AnyColumn, and, arrayContains, asc, desc, eq, lt, type SQL, sql } from "drizzle-orm";
import type { ShelfAsked, ShelfSong } from "@/api";
import { parseShelfQuery, titleKeyOf } from "@/core/song/read";
import type { SongBody, VersionBody } from "@/core/song/schema";
import type { Touch } from "@/document";
import type { Database } from "../db/open-database";
import { documents, shelf } from "../db/schema";
import { onHost } from "../host";
import { type Document, type DocumentOf, readRows } from "./row";
import {
  allFacts,
  groupsTouched,
  mayWeighOtherwise,
  searchedText,
  songFacts,
  versionFacts,
} from "./shelf-facts";

export type ShelfRow = Omit<
  typeof shelf.$inferSelect,
  "search" | "form" | "chords" | "chosen" | "titleKey" | "learning" | "weighed"
> & { readonly weighed: ShelfSong["weighed"] };

/** How many rows each question found, until a row is written. */
const counts = onHost("shelf counts", () => new Map<string, Counted>());

/** Counts anew: rows were written by another thread. */
export const forgetCounts = (): void => counts().clear();

type Writer = Pick<Database, "select" | "insert" | "update">;

/** The form rows are written in now; rows of an older one are written anew at the start. */
const SHELF_FORM = 4;

/**
 * Writes what the shelf shows of a version, or of every version of a song.
 * @param touched what an edit has touched: only what the shelf reads from there is worked out and written
 */
export async function rewriteShelf(
  writer: Writer,
  document: Document,
  touched: readonly Touch[] | null = null,
): Promise<void> {
  if (document.kind === "song") {
    const rows = await writer.select().from(documents).where(eq(documents.parentId, document.id));
    for (const version of readRows(rows))
      if (version.kind === "version")
        await writeRow(writer, version.id, version.body, document.id, document.body, "kept");
  }
  if (document.kind !== "version" || document.parentId === null) return;
  const groups = groupsTouched(touched);
  const song = touched && !groups.has("search") ? null : await songOf(writer, document.parentId);
  if (touched) await changeRow(writer, document, groups, song, mayWeighOtherwise(touched));
  else if (song) await writeRow(writer, document.id, document.body, document.parentId, song);
}

/** A version's song; null where it can't be read: what the shelf knows of it stays then. */
async function songOf(writer: Writer, id: string): Promise<SongBody | null> {
  const [row] = await writer.select().from(documents).where(eq(documents.id, id));
  const [song] = row ? readRows([row]) : [];
  return song?.kind === "song" ? song.body : null;
}

/** Writes only what may have changed of a version's row. */
async function changeRow(
  writer: Writer,
  { id, body }: DocumentOf<"version">,
  groups: ReturnType<typeof groupsTouched>,
  song: SongBody | null,
  isOtherwise: boolean,
): Promise<void> {
  forgetCounts();
  const search = song ? { search: asSearched(searchedText(song, body)) } : {};
  await writer
    .update(shelf)
    .set({
      ...versionFacts(body, groups),
      ...search,
      ...(isOtherwise ? NOT_WEIGHED : {}),
      updatedAt: new Date(),
    })
    .where(eq(shelf.versionId, id));
}

const asSearched = (text: string) => sql`to_tsvector('simple', ${text})` as SQL & string;

/** Writes the shelf's rows of documents that were stored together, each version's once. */
export async function writeShelf(writer: Writer, fresh: readonly Document[]): Promise<void> {
  const songs = new Map(
    fresh.flatMap((document) => (document.kind === "song" ? [[document.id, document] as const] : [])),
  );
  for (const document of fresh) {
    if (document.kind !== "version") continue;
    const song = songs.get(document.parentId ?? "");
    if (song) await writeRow(writer, document.id, document.body, song.id, song.body);
    else await rewriteShelf(writer, document);
  }
}

const NOT_WEIGHED = Object.freeze({ weighed: null, learning: null });

/** @param weight whether what it weighs is as it was */
async function writeRow(
  writer: Writer,
  versionId: string,
  version: VersionBody,
  songId: string,
  song: SongBody,
  weight: "kept" | "unknown" = "unknown",
): Promise<void> {
  forgetCounts();
  const row = {
    ...allFacts(version),
    ...songFacts(song),
    search: asSearched(searchedText(song, version)),
    ...(weight === "kept" ? {} : NOT_WEIGHED),
    form: SHELF_FORM,
    updatedAt: new Date(),
  };
  await writer
    .insert(shelf)
    .values({ versionId, songId, ...row })
    .onConflictDoUpdate({ target: shelf.versionId, set: row });
}

/** Rows written by an older program, written anew. */
export async function renewShelf(
  database: Database,
  fromRow: (id: string) => Promise<Document | null>,
): Promise<void> {
  const old = await database.select({ id: shelf.versionId }).from(shelf).where(lt(shelf.form, SHELF_FORM));
  for (const { id } of old) {
    const document = await fromRow(id);
    if (document) await rewriteShelf(database, document);
  }
}

const SHOWN = {
  versionId: shelf.versionId,
  songId: shelf.songId,
  title: shelf.title,
  by: shelf.by,
  versionName: shelf.versionName,
  key: shelf.key,
  bpm: shelf.bpm,
  meter: shelf.meter,
  bars: shelf.bars,
  seconds: shelf.seconds,
  players: shelf.players,
  tags: shelf.tags,
  rehearsed: shelf.rehearsed,
  verdict: shelf.verdict,
  weighed: sql<ShelfSong["weighed"]>`case when ${shelf.weighed} is null then null else
    json_build_object('low', ${shelf.weighed} -> 'low', 'high', ${shelf.weighed} -> 'high') end`.as(
    "told_weighed",
  ),
  archived: shelf.archived,
  updatedAt: shelf.updatedAt,
};

const COLUMN = {
  title: shelf.titleKey,
  key: shelf.key,
  tempo: shelf.bpm,
  length: shelf.seconds,
  rehearsed: shelf.rehearsed,
  learning: shelf.learning,
  changed: shelf.updatedAt,
} as const;

/** What must hold for the rows that are asked for. */
function whereOf(asked: ShelfAsked): SQL | undefined {
  const query = parseShelfQuery(asked.q);
  const wanted: SQL[] = [eq(shelf.archived, asked.archived)];
  if (query.words.length > 0)
    wanted.push(
      sql`${shelf.search} @@ to_tsquery('simple', ${query.words.map((word) => `'${word}':*`).join(" & ")})`,
    );
  if (query.chords.length > 0) wanted.push(arrayContains(shelf.chords, [...query.chords]));
  for (const tag of query.tags)
    wanted.push(
      sql`exists (select 1 from unnest(${shelf.tags}) as one where lower(one) like ${`${tag.replaceAll(/[%_\\]/gu, "")}%`})`,
    );
  if (asked.tag !== "") wanted.push(arrayContains(shelf.tags, [asked.tag]));
  if (asked.key !== "") wanted.push(eq(shelf.key, asked.key));
  if (asked.verdict !== "") wanted.push(eq(shelf.verdict, asked.verdict));
  if (asked.meter !== "") wanted.push(eq(shelf.meter, asked.meter));
  return and(...wanted);
}

/** From so many hits on a page is found faster by its order than by its words. */
const MANY = 1000;

/** How many rows a question finds, and of how many songs they are versions. */
type Counted = { readonly total: number; readonly songs: number };

/** One page of the shelf, a row a version, and how many rows there are in all. */
export async function searchShelf(
  database: Database,
  asked: ShelfAsked,
): Promise<{ rows: ShelfRow[] } & Counted> {
  const where = whereOf(asked);
  const direction = (place: SQL.Aliased<unknown>) =>
    asked.down ? sql`${place} desc nulls last` : sql`${place} asc nulls last`;
  const { sort, down: _down, offset: _offset, limit: _limit, ...kind } = asked;
  const question = JSON.stringify(kind);
  const known = counts().get(question);
  const column = (name: string, from: SQL | AnyColumn) => sql<string>`${from}`.as(name);
  // Narrow rows are found, counted and sorted; only those of the page are fetched whole.
  const hit = database.$with("hit").as(
    database
      .select({
        id: column("id", shelf.versionId),
        song: column("song", shelf.songId),
        place: column("place", COLUMN[sort]),
        titled: column("titled", shelf.titleKey),
      })
      .from(shelf)
      .where(where),
  );
  // Counting reads every hit first. Where many are known to be, the order of an index is walked instead, and the
  // walk ends with the page; for few that would pass over nearly every row.
  const many = known !== undefined && known.total >= MANY ? known : null;
  const count = (name: string, value: number | undefined, from: SQL) =>
    (value === undefined ? sql<number>`(select count(*)::int from ${from})` : sql<number>`${value}::int`).as(
      name,
    );
  const page = database
    .with(hit)
    .select({
      id: hit.id,
      song: hit.song,
      place: hit.place,
      titled: hit.titled,
      total: count("total", many?.total, sql`${hit}`),
      songs: count("songs", many?.songs, sql`(select 1 from ${hit} group by ${hit.song}) as one`),
    })
    .from(hit)
    .orderBy(direction(hit.place), asc(hit.titled), asc(hit.song), asc(hit.id))
    .limit(asked.limit)
    .offset(asked.offset)
    .as("page");
  const rows = await database
    .select({ ...SHOWN, total: page.total, songs: page.songs })
    .from(page)
    .innerJoin(shelf, eq(shelf.versionId, page.id))
    .orderBy(direction(page.place), asc(page.titled), asc(page.song), asc(page.id));
  const { total, songs } = rows[0] ?? known ?? (await countShelf(database, where));
  counts().set(question, { total, songs });
  return { rows: rows.map(({ total: _total, songs: _songs, ...row }) => row), total, songs };
}

/** Past the last page there is no row to read the counts from. */
async function countShelf(database: Database, where: SQL | undefined): Promise<Counted> {
  const [counted] = await database
    .select({ total: sql<number>`count(*)::int`, songs: sql<number>`count(distinct ${shelf.songId})::int` })
    .from(shelf)
    .where(where);
  return counted ?? { total: 0, songs: 0 };
}

export type Facet = { readonly value: string; readonly count: number };

/** The tags, keys and metres that stand on the shelf, with how many versions have each. */
export async function shelfFacets(
  database: Database,
  archived: boolean,
): Promise<{ tags: Facet[]; keys: Facet[]; meters: Facet[]; archived: number }> {
  const facet = (value: SQL<string>): Promise<Facet[]> =>
    database
      .select({ value, count: sql<number>`count(*)::int` })
      .from(shelf)
      .where(eq(shelf.archived, archived))
      .groupBy(sql`1`)
      .orderBy(sql`2 desc, 1`)
      .limit(60);
  const [tags, keys, meters, put] = await Promise.all([
    facet(sql<string>`unnest(${shelf.tags})`),
    facet(sql<string>`${shelf.key}`),
    facet(sql<string>`${shelf.meter}`),
    database.select({ count: sql<number>`count(*)::int` }).from(shelf).where(eq(shelf.archived, true)),
  ]);
  return { tags, keys, meters, archived: put[0]?.count ?? 0 };
}

/** Songs that may be the same as one to be made: equal titles. */
export async function findDoubles(
  database: Database,
  title: string,
): Promise<{ versionId: string; title: string; by: string }[]> {
  const key = titleKeyOf(title);
  if (key === "") return [];
  return database
    .select({ versionId: shelf.versionId, title: shelf.title, by: shelf.by })
    .from(shelf)
    .where(eq(shelf.titleKey, key))
    .orderBy(desc(shelf.updatedAt))
    .limit(5);
}

/** The shelf rows of some versions. */
export async function shelfRowsOf(database: Database, versionIds: readonly string[]): Promise<ShelfRow[]> {
  if (versionIds.length === 0) return [];
  return database
    .select(SHOWN)
    .from(shelf)
    .where(sql`${shelf.versionId} in ${[...versionIds]}`);
}
