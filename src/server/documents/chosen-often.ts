import { eq, sql } from "drizzle-orm";
import { keyInBook, type shapesChosen } from "@/core/parts";
import type { Database } from "../db/open-database";
import { shelf } from "../db/schema";

type Chosen = ReturnType<typeof shapesChosen>[number];

/** A chosen shape as the shelf keeps it. */
export const writeChosen = (chosen: Chosen): string => JSON.stringify(chosen);

/** A shape a player of the band has chosen in several songs. */
export type OftenChosen = Chosen & { readonly songs: number };

/** From so many songs a choice is a habit. */
const OFTEN = 3;

/** Shapes that players have chosen in at least three songs, put-away ones left out; the most frequent first. */
export async function chosenOften(database: Database): Promise<OftenChosen[]> {
  const one = sql<string>`unnest(${shelf.chosen})`;
  const rows = await database
    .select({ chosen: one.as("chosen"), songId: shelf.songId })
    .from(shelf)
    .where(eq(shelf.archived, false));
  const found = new Map<string, { chosen: Chosen; songs: Set<string> }>();
  for (const { chosen: text, songId } of rows) {
    const chosen = JSON.parse(text) as Chosen;
    const key = `${chosen.bandPlayerId} ${keyInBook(chosen.shape)}`;
    const known = found.get(key);
    if (known) known.songs.add(songId);
    else found.set(key, { chosen, songs: new Set([songId]) });
  }
  return [...found.values()]
    .filter(({ songs }) => songs.size >= OFTEN)
    .map(({ chosen, songs }) => ({ ...chosen, songs: songs.size }))
    .sort((a, b) => b.songs - a.songs);
}
