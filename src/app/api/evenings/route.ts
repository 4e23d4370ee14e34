import { eveningsWith, makeEvening } from "@/api";
import { DOCUMENTS, NEW_EVENING } from "@/core/song/schema";
import { emptyBody } from "@/document";
import { openDatabase } from "@/server/db/open-database";
import { createDocuments } from "@/server/documents/stored-documents";
import { makeId } from "@/server/ids";
import { Reply, serve } from "@/server/serve";
import { eveningsWith as findEvenings } from "@/server/songs/song-evenings";

/** Evenings in whose running order a version stands, each with its songs. */
export const GET = serve(eveningsWith, async ({ sent }) => ({ evenings: await findEvenings(sent.version) }));

/** Makes an evening. */
export const POST = serve(makeEvening, async ({ sent }) => {
  const id = makeId();
  const row = { id, name: sent.name, place: "", note: "", targetMinutes: null, ...NEW_EVENING };
  const body = { ...emptyBody(DOCUMENTS.evening), evening: { [id]: row } };
  await createDocuments(await openDatabase(), [{ id, kind: "evening", parentId: null, body }]);
  return new Reply({ id }, 201);
});
