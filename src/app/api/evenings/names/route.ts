import { namesOfEvenings } from "@/api";
import { headOf } from "@/document";
import { openDatabase } from "@/server/db/open-database";
import { listDocuments } from "@/server/documents/stored-documents";
import { serve } from "@/server/serve";

/** Every evening in use, the last made first. */
export const GET = serve(namesOfEvenings, async () => {
  const evenings = await listDocuments(await openDatabase(), "evening");
  return {
    evenings: evenings.flatMap(({ id, body }) => {
      const { name, day, kept } = headOf(body, "evening");
      return kept === "in use" ? [{ id, name, day }] : [];
    }),
  };
});
