import { startBand } from "@/api";
import { DOCUMENTS } from "@/core/song/schema";
import { emptyBody } from "@/document";
import { openDatabase } from "@/server/db/open-database";
import { createDocuments } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { makeId } from "@/server/ids";
import { Reply, serve } from "@/server/serve";
import { findBand } from "@/server/songs/create";

/** Starts a band where there is none: what is kept for all songs hangs on it. */
export const POST = serve(startBand, async () => {
  const database = await openDatabase();
  if (await findBand(database)) return refuse(409, "band", "is there already");
  const id = makeId();
  const body = { ...emptyBody(DOCUMENTS.band), band: { [id]: { id, name: "Our band" } } };
  await createDocuments(database, [{ id, kind: "band", parentId: null, body }]);
  return new Reply({}, 201);
});
