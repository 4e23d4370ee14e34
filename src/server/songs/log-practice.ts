import { type Practised, practiceToAdd } from "@/core/practice";
import { songEdits } from "@/core/song/edit";
import type { Database } from "../db/open-database";
import { editHere } from "../documents/edit-here";
import { findDocument } from "../documents/stored-documents";
import { makeId } from "../ids";

/** So often it is tried where somebody changes the song at the same moment. */
const TRIES = 3;

/**
 * Writes what one player has practised of a version into its song's log.
 * @returns whether it is kept: not where there is no such song, or others change it all the time
 */
export async function logPractice(
  database: Database,
  versionId: string,
  practised: Omit<Practised, "kind" | "versionId">,
): Promise<boolean> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const version = await findDocument(database, versionId);
    const song = version?.parentId ? await findDocument(database, version.parentId) : null;
    if (song?.kind !== "song") return false;
    const said = { ...practised, kind: "part" as const, versionId };
    const row = practiceToAdd(song.body.practices, makeId(), said);
    if ((await editHere(database, song, songEdits.add("practices", row))) !== null) return true;
  }
  return false;
}
