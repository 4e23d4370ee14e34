import { namesOfEvenings } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { listDocuments } from "@/server/documents/stored-documents";
import { serve } from "@/server/serve";

/** Every evening by name, the last made first. */
export const GET = serve(namesOfEvenings, async () => {
  const evenings = await listDocuments(await openDatabase(), "evening");
  return {
    evenings: evenings.map(({ id, body }) => ({ id, name: Object.values(body.evening)[0]!.name })),
  };
});
