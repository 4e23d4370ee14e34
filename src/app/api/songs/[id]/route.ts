import { changeSong } from "@/api";
import { songEdits } from "@/core/song/edit";
import { headOf } from "@/document";
import { openDatabase } from "@/server/db/open-database";
import { editHere } from "@/server/documents/edit-here";
import { findDocument } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { Reply, serve } from "@/server/serve";
import { duplicateSong } from "@/server/songs/song-versions";

/** What the shelf does with a song: duplicate it, put it away, bring it back, note a rehearsal. */
export const POST = serve(changeSong, async ({ params, sent: wanted }) => {
  const id = params.id!;
  const database = await openDatabase();
  const gone = () => refuse(404, "id", "names no song here; it may have been removed");
  if (wanted.act === "duplicate") {
    const copy = await duplicateSong(database, id);
    return copy ? new Reply(copy, 201) : gone();
  }
  const song = await findDocument(database, id);
  if (song?.kind !== "song") return gone();
  const fields =
    wanted.act === "rehearsed" ? { rehearsed: wanted.day } : { archived: wanted.act === "archive" };
  const command = songEdits.set("song", headOf(song.body, "song").id, fields);
  const revision = await editHere(database, song, command);
  return revision === null ? refuse(409, "song", "was changed at the same moment; try again") : { revision };
});
