import { openDatabase } from "@/server/db/open";
import { replayLog } from "@/server/documents/store";
import { refuse } from "@/server/http";
import { historyOf } from "@/server/songs/versions";

type Params = { params: Promise<{ id: string }> };

/** What has happened, newest first; with `?at=<revision>` the document as it stood then. */
export async function GET(request: Request, { params }: Params): Promise<Response> {
  const { id } = await params;
  const at = new URL(request.url).searchParams.get("at");
  const database = await openDatabase();
  const headers = { "cache-control": "no-store" };
  if (at === null) {
    const steps = await historyOf(database, id);
    return steps ? Response.json({ steps }, { headers }) : refuse(404, "id", "names no document here");
  }
  const revision = Number(at);
  if (!/^\d{1,9}$/u.test(at)) return refuse(400, "at", "should be a revision, 0 or more");
  const body = await replayLog(database, id, revision);
  return body ? Response.json({ body }, { headers }) : refuse(404, "at", "is no step of this document");
}
