import { lightDemo } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { createDocuments, isEmpty } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { Reply, serve } from "@/server/serve";
import { demoDocuments } from "@/server/songs/demo";

/** Lights the demo evening in an empty folder. */
export const POST = serve(lightDemo, async () => {
  const database = await openDatabase();
  if (!(await isEmpty(database))) return refuse(409, "demo", "is only lit where nothing is kept yet");
  await createDocuments(database, await demoDocuments());
  return new Reply({}, 201);
});
