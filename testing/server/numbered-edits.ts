import { unwrap } from "@/base";
import { add } from "@/core/song/edit";
import type { Database } from "@/server/db/open-database";
import { createSong } from "@/server/songs/create";

/** A short song in a database. @returns the id of its version */
export async function shortSong(database: Database): Promise<string> {
  const content = { text: "[Verse]\nG C D G\none two three four" };
  const song = unwrap(await createSong(database, { content, title: "", adjustments: {}, double: true }));
  if (!song.made) throw new Error("Expected a song to be made.");
  return song.versionId;
}

/** An edit that meets no other of another number. */
export function numberedEdit(number: number) {
  const id = `source${number}`;
  const row = { id, order: `V${number}`, name: id, kind: "sheet", text: "" } as const;
  return { editId: `edit${number}`, base: 0, command: add("sources", row) };
}
