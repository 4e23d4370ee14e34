import { readHistory } from "@/api";
import { readChoice } from "@/rooms/names/query";
import { openDatabase } from "@/server/db/open-database";
import { replayLog } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";
import { historyOf } from "@/server/songs/song-versions";

/** What has happened, newest first; with `?at=<revision>` the document as it stood then. */
export const GET = serve(readHistory, async ({ params, sent }) => {
  const database = await openDatabase();
  if (sent.at === undefined) {
    const steps = await historyOf(database, params.id!, readChoice(sent));
    return steps ? { steps } : refuse(404, "id", "names no document here");
  }
  const body = await replayLog(database, params.id!, sent.at);
  return body ? { body } : refuse(404, "at", "is no step of this document");
});
