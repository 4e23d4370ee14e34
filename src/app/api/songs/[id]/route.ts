import { z } from "zod";
import { songEdits } from "@/core/song/edit";
import { headOf } from "@/document";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { findDocument, takeEdit } from "@/server/documents/store";
import { readJson, refuse } from "@/server/http";
import { makeId } from "@/server/ids";
import { announce } from "@/server/live";
import { duplicateSong } from "@/server/songs/versions";
import { withStorage } from "@/server/storage";

const act = z.discriminatedUnion("act", [
  z.object({ act: z.literal("duplicate") }),
  z.object({ act: z.literal("archive") }),
  z.object({ act: z.literal("restore") }),
  z.object({ act: z.literal("rehearsed"), day: z.iso.date().nullable() }),
]);

type Params = { params: Promise<{ id: string }> };

/** What the shelf does with a song: duplicate it, put it away, bring it back, note a rehearsal. */
export async function POST(request: Request, { params }: Params): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const { id } = await params;
  const input = await readJson(request, 10_000, act);
  if (!input.ok) return input.response;
  const wanted = input.value;
  return withStorage(async () => {
    const database = await openDatabase();
    const gone = () => refuse(404, "id", "names no song here; it may have been removed");
    if (wanted.act === "duplicate") {
      const copy = await duplicateSong(database, id);
      return copy ? Response.json(copy, { status: 201 }) : gone();
    }
    const song = await findDocument(database, id);
    if (song?.kind !== "song") return gone();
    const row = headOf(song.body, "song").id;
    const fields =
      wanted.act === "rehearsed" ? { rehearsed: wanted.day } : { archived: wanted.act === "archive" };
    const command = songEdits.set("song", row, fields);
    const outcome = await takeEdit(database, id, { editId: makeId(), base: song.revision, command });
    if (outcome.status !== "done") return refuse(409, "song", "was changed at the same moment; try again");
    announce(id, outcome.edit);
    return Response.json({ revision: outcome.revision });
  });
}
