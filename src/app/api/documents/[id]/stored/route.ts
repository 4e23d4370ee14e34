import { saveStored } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { storedWhole } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** All that is stored of a document, also of one that can't be read, as a JSON file. */
export const GET = serve(saveStored, async ({ params }) => {
  const whole = await storedWhole(await openDatabase(), params.id!);
  if (!whole) return refuse(404, "id", "names no document here; it may have been removed");
  return new Response(JSON.stringify(whole, null, 1), {
    headers: {
      "content-type": "application/json",
      "content-disposition": `attachment; filename="shared-lantern-${params.id}.json"`,
      "cache-control": "no-store",
    },
  });
});
