import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { createDocuments, isEmpty } from "@/server/documents/store";
import { refuse } from "@/server/http";
import { demoDocuments } from "@/server/songs/demo";
import { withStorage } from "@/server/storage";

/** Lights the demo evening in an empty folder. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  return withStorage(async () => {
    const database = await openDatabase();
    if (!(await isEmpty(database))) return refuse(409, "demo", "is only lit where nothing is kept yet");
    await createDocuments(database, await demoDocuments());
    return Response.json({}, { status: 201 });
  });
}
